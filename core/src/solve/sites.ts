import type { AssumptionValues } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';
import { bucketFlow, type SpigotCurve } from './spigot-curve.js';

/** What a site's taps give: into an open bucket, m³/s, and at rest as a share of the pressure read; by spigot of the document. */
export interface Site {
  readonly bucket: (spigot: number) => number;
  readonly pressure: (spigot: number) => number;
}

/**
 * Taps of the sites that the rig works at. Where the customer said what his poorest, usual and best tap gives, those are
 * they; otherwise shares of what was read at the rig's own. Each spigot is held against its own reading.
 */
export class Sites {
  private readonly own: readonly number[];

  constructor(
    private readonly rig: Rig,
    private readonly values: AssumptionValues,
    curves: ReadonlyMap<string, SpigotCurve>,
  ) {
    this.own = rig.spigots.map((s) => bucketFlow(curves.get(s.id)!));
  }

  /** A poor or a good site. */
  of(kind: 'poor' | 'good'): Site {
    const said = this.rig.brief.day?.spigot?.[kind];
    const share = this.values[kind === 'poor' ? 'poor-spigot' : 'good-spigot'];
    return this.site((i) => said ?? share * this.own[i]);
  }

  /** A site that gives this much of the usual one: the customer's where he said so, else what was read. */
  at(share: number): Site {
    const usual = this.rig.brief.day?.spigot?.usual;
    return this.site((i) => share * (usual ?? this.own[i]));
  }

  private site(bucket: (spigot: number) => number): Site {
    const poor = this.values['poor-spigot'];
    const low = this.values['poor-pressure'];
    return {
      bucket,
      pressure: (i) => {
        const share = bucket(i) / this.own[i];
        if (!(share < 1) || !(poor < 1)) return 1;
        return 1 - (1 - low) * Math.min((1 - share) / (1 - poor), 1);
      },
    };
  }
}
