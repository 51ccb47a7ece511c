import type { Phase } from '../rig/day-schema.js';
import type { Rig } from '../rig/schema.js';

/** What can be held that sprays a mix: a soft wash gun, or a washer's gun behind an injector. */
export interface MixHand {
  readonly id: string;
  readonly mixId: string;
  readonly injected: boolean;
  /** Of its pump, m³/s. */
  readonly openFlow: number;
}

export interface Hands {
  readonly water: readonly string[];
  readonly mix: readonly MixHand[];
}

/** Guns and brushes of a rig by what comes out of them. */
export function handsOf(rig: Rig): Hands {
  const mix: MixHand[] = [];
  for (const m of rig.mixes) {
    if (m.injector) {
      if (!rig.outlets.some((o) => o.id === m.injector!.outlet)) continue;
      mix.push({ id: m.injector.outlet, mixId: m.id, injected: true, openFlow: rig.machines[0]?.flow ?? 0 });
      continue;
    }
    const suction = rig.lines.find((l) => l.role === 'chemical' && !l.closed && l.from.at === 'mix' && l.from.id === m.id);
    const pump = rig.softPumps.find((p) => p.id === suction?.to.id);
    const hose = rig.lines.find((l) => l.role === 'chemical' && !l.closed && l.from.at === 'soft-pump' && l.from.id === pump?.id && l.to.at === 'sprayer');
    if (pump && hose) mix.push({ id: hose.to.id!, mixId: m.id, injected: false, openFlow: pump.openFlow });
  }
  return { water: rig.outlets.filter((o) => o.open).map((o) => o.id), mix };
}

const WATER_WORK: ReadonlySet<Phase['kind']> = new Set(['pre-wet', 'wash', 'surface-clean', 'rinse']);

/** Kinds that put a mix on: what is washed, and flatwork before and after the surface cleaner. */
const MIX_WORK: ReadonlySet<Phase['kind']> = new Set(['mix', 'pre-treat', 'post-treat']);

/** Whether a kind of phase puts a mix on. */
export const spraysMix = (kind: Phase['kind']): boolean => MIX_WORK.has(kind);
/** Whether a kind of phase has something in hand that sprays. */
export const holdsGun = (kind: Phase['kind']): boolean => spraysMix(kind) || WATER_WORK.has(kind);

/** What a phase has in hand on this rig: a water gun, a mix, or nothing. */
export interface InHand {
  readonly outletId: string | undefined;
  readonly mixId: string | undefined;
}

/**
 * What is in hand in a phase. A gun that the rig lacks, or none named, stands for the gun that does such work here, so the
 * same day can be tried on another way of building.
 */
export function inHand(rig: Rig, hands: Hands, phase: Phase): InHand {
  const none: InHand = { outletId: undefined, mixId: undefined };
  const ofMix = (h: MixHand | undefined): InHand => (h ? { outletId: h.injected ? h.id : undefined, mixId: h.mixId } : none);
  if (spraysMix(phase.kind)) return ofMix(hands.mix.find((h) => h.id === phase.gun) ?? hands.mix[0]);
  if (!WATER_WORK.has(phase.kind)) return none;
  if (phase.gun !== undefined && hands.water.includes(phase.gun)) return { outletId: phase.gun, mixId: undefined };
  // A brush, or a soft wash gun that rinses with what its mix brings.
  const soft = hands.mix.find((h) => h.id === phase.gun && !h.injected);
  if (soft) return ofMix(soft);
  const crew = phase.crew === 'all' ? 0 : Number(phase.crew) - 1;
  const cleaner = phase.kind === 'surface-clean' ? rig.outlets.find((o) => o.open && o.kind === 'surface-cleaner')?.id : undefined;
  const outletId = cleaner ?? hands.water[crew % Math.max(hands.water.length, 1)];
  return { outletId, mixId: undefined };
}

const TRIGGER: Partial<Record<Phase['kind'], number>> = { 'surface-clean': 0.9, rinse: 0.7, 'pre-wet': 0.6, 'pre-treat': 0.8, mix: 0.8, 'post-treat': 0.8 };

/** Share of a phase with the trigger pulled: as said, or what is usual for its kind. */
export const triggerOf = (rig: Rig, phase: Phase): number => phase.trigger ?? (phase.kind === 'wash' ? rig.brief.triggerShare : (TRIGGER[phase.kind] ?? 0));
