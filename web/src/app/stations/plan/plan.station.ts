import { Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { ActivatedRoute, Router } from '@angular/router';
import {
  addGear,
  blowsExhaust,
  BOLT_SIZES,
  deckDrawing,
  dropPlatform,
  fillings,
  formatQuantity,
  formatTape,
  GEAR_KINDS,
  type GearKind,
  RESTRAINTS,
  layHoses,
  type PlacementDocument,
  placeAnywhere,
  placeOf,
  PLATFORMS,
  platformOf,
  removeGear,
  type RigDocument,
  setPlatform,
  standingOn,
  svgOf,
  turnThing,
  unplace,
  USUAL_GEAR,
} from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { type Fact, Facts } from '../../bench/facts';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { SAID_OPTIONS } from '../../kit/said-options';
import { SelectRow } from '../../kit/select-row';
import { RigStore, setAt } from '../../state/rig-store';
import { ArrangePanel } from './arrange-panel';
import { DeckView } from './deck-view';
import { PlatformFields } from './platform-fields';
import { printDeck } from './print-deck';
import { WalkRound } from './walk-round';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

const SIDE_OPTIONS = [
  { value: 'front', name: 'Front' },
  { value: 'rear', name: 'Rear' },
  { value: 'kerb', name: spell('‹Curb› side') },
  { value: 'street', name: 'Street side' },
] as const;

const HAND_WORDS = { valve: 'Valve', strainer: 'Strainer', start: 'Start', 'oil-drain': 'Oil drain', 'fuel-cap': 'Fuel cap' } as const;
const HOLD_WORDS: Readonly<Record<(typeof RESTRAINTS)[number], string>> = {
  hoops: 'Bolted hoops',
  straps: 'Straps',
  'u-bolts': 'U-bolts',
  welded: 'Welded bars',
  bolts: 'Bolts through the deck',
};

/** The deck: what stands where, whether it fits, is got at and is held. */
@Component({
  selector: 'pz-plan-station',
  imports: [
    SpellPipe,
    ArrangePanel,
    ChoiceField,
    DataTable,
    DeckView,
    Facts,
    Later,
    MatButtonModule,
    MatExpansionModule,
    Picker,
    PlatformFields,
    QuantityField,
    SelectRow,
    StationFrame,
    WalkRound,
  ],
  templateUrl: './plan.station.html',
  styleUrl: './plan.station.scss',
})
export class PlanStation {
  private readonly store = inject(RigStore);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  readonly of = input<string>();
  protected readonly rig = this.store.rig;
  protected readonly platform = computed(() => this.store.document()?.platform);
  protected readonly plan = computed(() => this.store.assessment()?.plan);
  protected readonly swapping = signal(false);
  protected readonly things = computed(() => {
    const rig = this.rig();
    return rig ? standingOn(rig) : [];
  });
  protected readonly chosen = computed(() => this.things().find((t) => t.id === this.of()) ?? this.things().find((t) => t.box) ?? this.things()[0]);
  protected readonly chosenId = computed(() => (this.of() ? this.chosen()?.id : undefined));
  protected readonly at = computed(() => this.store.document()?.placements?.findIndex((p) => p.thing === this.chosen()?.id) ?? -1);
  private readonly own = computed<PlacementDocument | undefined>(() => this.store.document()?.placements?.[this.at()]);
  protected readonly tray = computed(() => this.things().filter((t) => !t.box));

  protected readonly stock = [{ value: '', name: 'Choose one' }, ...PLATFORMS.map((p) => ({ value: p.id, name: p.title }))];
  protected readonly sides = [{ value: '', name: 'Nearest side' }, ...SIDE_OPTIONS];
  protected readonly drains = [{ value: '', name: 'The side it is served from' }, ...SIDE_OPTIONS];
  protected readonly blows = [{ value: '', name: 'Not said' }, ...SIDE_OPTIONS];
  protected readonly holds = [
    { value: '', name: 'Not said' },
    ...RESTRAINTS.map((value) => ({ value, name: HOLD_WORDS[value] })),
    { value: 'none', name: 'Nothing' },
  ];
  protected readonly said = SAID_OPTIONS;
  protected readonly runs = [
    { value: '', name: 'Over to the other side' },
    { value: 'same-side', name: 'Back to its own side' },
    { value: 'to-thing', name: 'To the thing itself' },
  ];
  protected readonly bolts = BOLT_SIZES.map((value) => ({ value, name: value }));
  protected readonly gearKinds = [{ value: '', name: 'Add gear' }, ...GEAR_KINDS.map((value) => ({ value, name: USUAL_GEAR[value].word }))];
  protected readonly views = [
    { id: 'both', name: 'Both' },
    { id: 'above', name: 'From above' },
    { id: 'side', name: spell('From the ‹curb›') },
    { id: 'walk', name: 'Walk round' },
  ];
  protected readonly view = signal<string>('both');
  protected readonly flat = computed(() => (this.view() === 'walk' ? 'both' : (this.view() as 'both' | 'above' | 'side')));
  protected readonly fillings = [
    { id: 'full', name: 'Full' },
    { id: 'half', name: 'Half' },
    { id: 'empty', name: 'Empty' },
    { id: 'start', name: 'As the day starts' },
  ];
  protected readonly filling = signal<string>('full');
  protected readonly state = computed(() => {
    const w = this.store.assessment()?.weight;
    return w?.states.find((s) => s.id === this.filling());
  });
  protected readonly levels = computed(() => {
    const rig = this.rig();
    return (rig && fillings(rig).find((f) => f.id === this.filling())?.levels) ?? [];
  });
  protected readonly handColumns: readonly Column[] = [
    { id: 'part', name: 'What', sorts: true },
    { id: 'at', name: 'At', sorts: true },
    { id: 'up', name: 'Above the ground', number: true, sorts: true },
    { id: 'in', name: 'In from the edge', number: true, sorts: true },
    { id: 'got', name: 'Got at' },
  ];
  /** Valves and bowls, and whether a hand gets at them from the ground. */
  protected readonly hands = computed<TableRow[]>(() => {
    const names = new Map(this.things().map((t) => [t.id, t.name]));
    const tape = (m: number): string => formatTape(Math.round(m / 0.0127) * 0.0127, this.store.units());
    return (this.plan()?.hands ?? []).map((h, i) => {
      const blocked = h.behind !== undefined || (h.room !== undefined && h.room.freeM < h.room.wantedM);
      const from = h.fromGround ? 'from the ground' : 'from the deck';
      const got = h.behind !== undefined ? `no: behind ${names.get(h.behind) ?? ''}` : blocked ? `hardly: ${tape(h.room!.freeM)} free` : from;
      return {
        id: `${h.thing} ${h.what} ${i}`,
        cells: {
          part: h.part ?? HAND_WORDS[h.what],
          at: names.get(h.thing) ?? '',
          up: { text: tape(h.aboveGroundM), by: h.aboveGroundM },
          in: { text: tape(h.inFromEdgeM), by: h.inFromEdgeM },
          got: { text: got, shout: blocked },
        },
      };
    });
  });
  protected readonly shelves = computed(() => {
    const own = this.chosen();
    const doc = this.store.document();
    const shelves = (doc?.gear ?? []).filter((g) => g.kind === 'shelf' && g.id !== own?.id && placeOf(doc!, g.id));
    const reels = own?.kind === 'reel' ? (doc?.reels ?? []).filter((r) => r.id !== own.id && placeOf(doc!, r.id)) : [];
    return [{ value: '', name: 'The deck' }, ...[...shelves, ...reels].map((x) => ({ value: x.id, name: x.name }))];
  });
  protected readonly burns = computed(() => {
    const [t, rig] = [this.chosen(), this.rig()];
    return !!t && !!rig && blowsExhaust(rig).has(t.id);
  });
  protected readonly isShelf = computed(() => this.store.document()?.gear?.find((g) => g.id === this.chosen()?.id)?.kind === 'shelf');
  protected readonly heldBy = computed(() => this.own()?.held?.by ?? (this.own()?.loose ? 'none' : ''));
  protected readonly closed = computed(() => this.platform()?.headroom !== undefined);
  protected readonly pinned = computed(() => this.own()?.pinned === true);
  protected readonly dry = computed(() => formatQuantity(this.chosen()?.dryKg ?? 0, 'mass', this.store.units()));
  protected readonly heldFigure = computed<Fact[] | undefined>(() => {
    const i = this.plan()?.things.findIndex((t) => t.id === this.chosen()?.id) ?? -1;
    const t = this.plan()?.things[i];
    if (!t?.held) return undefined;
    return [
      { label: 'Holds', at: `plan.things.${i}.held` },
      { label: 'Has to hold', text: formatQuantity(t.heldWantedN, 'force', this.store.units()) },
    ];
  });

  protected path(field: string): string {
    return `placements.${this.at()}.${field}`;
  }
  protected gearPath(field: string): string {
    return `gear.${this.store.document()?.gear?.findIndex((g) => g.id === this.chosen()?.id) ?? 0}.${field}`;
  }
  /** A place that is typed; hoses that follow the deck are cut anew. */
  protected laying(field: 'x' | 'y'): (d: RigDocument, text: string) => void {
    return (d, text) => {
      setAt(d, this.path(field), text);
      layHoses(d);
    };
  }
  protected choose(id: string): void {
    void this.router.navigate([], { relativeTo: this.route, queryParams: { of: id }, replaceUrl: true });
  }
  protected look(view: string): void {
    this.view.set(view);
  }
  protected standOn(id: string): void {
    if (!id) return;
    this.swapping.set(false);
    this.store.edit('Another platform', (d) => setPlatform(d, { ...platformOf(id), ...(d.platform?.road ? { road: d.platform.road } : {}) }));
  }
  protected noPlatform(): void {
    this.swapping.set(false);
    this.store.edit('Without a platform', dropPlatform);
  }
  protected place(id: string): void {
    this.store.edit('Stand it on the deck', (d) => placeAnywhere(d, id));
    this.choose(id);
  }
  protected arrangeAll(): void {
    const ids = this.tray().map((t) => t.id);
    this.store.edit('Place all of it', (d) => ids.forEach((id) => placeAnywhere(d, id)));
  }
  protected turn(): void {
    const { id, name } = this.chosen();
    this.store.edit(`Turn ${name}`, (d) => turnThing(d, id));
  }
  protected pin(): void {
    const { id, name } = this.chosen();
    this.store.edit(this.pinned() ? `Let ${name} move` : `Pin ${name}`, (d) => {
      const p = placeOf(d, id)!;
      if (p.pinned) delete p.pinned;
      else p.pinned = true;
    });
  }
  protected toTray(): void {
    const { id, name } = this.chosen();
    this.store.edit(`${name} into the tray`, (d) => unplace(d, id));
  }
  protected removeIt(): void {
    const { id, name } = this.chosen();
    this.store.edit(`Remove ${name}`, (d) => removeGear(d, id));
  }
  protected addGear(kind: string): void {
    if (!kind) return;
    let id = '';
    this.store.edit(`Add ${USUAL_GEAR[kind as GearKind].word.toLowerCase()}`, (d) => {
      id = addGear(d, kind as GearKind);
      placeAnywhere(d, id);
    });
    this.choose(id);
  }
  protected hold(by: string): void {
    this.store.edit('What holds it', (d) => {
      const p = placeOf(d, this.chosen().id)!;
      delete p.loose;
      if (!by || by === 'none') delete p.held;
      if (by === 'none') p.loose = true;
      else if (by)
        p.held = {
          by: by as (typeof RESTRAINTS)[number],
          count: p.held?.count ?? '4',
          ...(by === 'straps' ? { working: p.held?.working ?? '1000 lbf' } : by === 'welded' ? {} : { bolt: p.held?.bolt ?? '3/8-16' }),
        };
    });
  }
  protected print(): void {
    const [rig, weight] = [this.rig(), this.store.assessment()?.weight];
    if (rig) printDeck(rig, weight, this.levels(), this.store.units());
  }
  protected save(): void {
    const rig = this.rig();
    const drawing = rig && deckDrawing(rig, this.store.units(), this.levels());
    if (!drawing) return;
    const url = URL.createObjectURL(new Blob([svgOf(drawing)], { type: 'image/svg+xml' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `${rig.name.replace(/[^\w-]+/g, '-').toLowerCase()}-deck.svg`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(url), 1000);
  }
}
