import { type LiquidKind, meeting } from '../../chemistry/compatibility.js';
import type { AssumptionValues } from '../../assumption/register.js';
import { blowsExhaust, type Box, holdsFuel, type Standing } from '../../deck/index.js';
import type { FuelKind } from '../../fuel/index.js';
import type { Platform, Rig, Tank } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { PlanCode } from './kinds.js';
import { FUMES } from './hand-points.js';
import { apartM, overlapM, TOUCH } from './room.js';
import type { Tell } from './tell.js';

type Placed = Standing & { readonly box: Box };
type Named = Pick<Standing, 'kind' | 'id'>;

/** Liquids that set fuel on fire, or make it burn fiercely. */
const OXIDISERS: ReadonlySet<LiquidKind | undefined> = new Set<LiquidKind>(['hypochlorite', 'oxygen-bleach']);

/** Nearer than this two things stand against each other, m. */
const AGAINST = 0.0254;
/** What hangs over something higher than this drips elsewhere, m. */
const OVER = 1.5;

/** What fuel keeps away from, the distance that counts, and the kind of finding that tells of it. */
interface Row {
  readonly code: PlanCode;
  readonly is: (rig: Rig, t: Named, engines: ReadonlySet<string>) => boolean;
  readonly apart: (values: AssumptionValues) => number;
  /** Which fuels catch fire from it at that distance; others only against it. */
  readonly fuels: readonly FuelKind[];
}

const liquidIn = (rig: Rig, t: Named): { readonly tank: Tank; readonly kind: LiquidKind } | undefined => {
  const tank = t.kind === 'tank' ? rig.tanks.find((x) => x.id === t.id) : undefined;
  const liquid = tank && rig.liquids.find((l) => l.id === tank.holds);
  return tank && liquid ? { tank, kind: liquid.kind } : undefined;
};

/** One table: fuel × what sets it on fire. Gasoline gives off vapour in the cold, diesel does not (common practice; NFPA 30 by flash point, from memory). */
const ROWS: readonly Row[] = [
  { code: 'fuel-hot', is: (_rig, t, engines) => engines.has(t.id) && t.kind !== 'burner', apart: (v) => v['fuel-engine-apart'], fuels: ['petrol'] },
  { code: 'fuel-hot', is: (_rig, t) => t.kind === 'burner', apart: (v) => v['battery-apart'], fuels: ['petrol'] },
  { code: 'battery-fuel', is: (_rig, t) => t.kind === 'battery', apart: (v) => v['battery-apart'], fuels: ['petrol', 'diesel'] },
  {
    code: 'fuel-oxidiser',
    is: (rig, t) => OXIDISERS.has(liquidIn(rig, t)?.kind),
    apart: (v) => v['fuel-heat-apart'],
    fuels: ['petrol', 'diesel'],
  },
];

/** Of what holds fuel: which. A can of which nobody said is of gasoline. */
export const fuelIn = (rig: Rig, t: Named): FuelKind => rig.fuelTanks.find((x) => x.id === t.id)?.fuel ?? rig.gear.find((x) => x.id === t.id)?.fuel ?? 'petrol';

/** How far apart two things have to stand of which the one holds fuel, or of which an engine breathes the other's fumes, m. */
export function wantedApart(rig: Rig, t: Named, o: Named, engines: ReadonlySet<string>, values: AssumptionValues): number | undefined {
  if (holdsFuel(rig, t)) {
    const row = ROWS.find((r) => r.is(rig, o, engines));
    return row?.fuels.includes(fuelIn(rig, t)) ? row.apart(values) : undefined;
  }
  const held = liquidIn(rig, o);
  if (held && engines.has(t.id) && FUMES.has(held.kind) && held.tank.ventTo !== 'outside') return values['vent-intake'];
  const own = liquidIn(rig, t);
  return own && held && t.id !== o.id && !own.tank.bund && !held.tank.bund && meeting(own.kind, held.kind).verdict === 'never'
    ? values['gas-apart']
    : undefined;
}

/** Whether a box hangs over another, near enough to drip on it. */
const over = (a: Box, b: Box): boolean => a.z0 >= b.z1 - TOUCH && a.z0 - b.z1 < OVER && overlapM({ ...a, z0: 0, z1: 1 }, { ...b, z0: 0, z1: 1 }) > TOUCH;

/** Fuel keeps away from what is hot, sparks or oxidises it: over it or against it is unsafe, nearer than it should be tight. */
export function fuelNear(rig: Rig, t: Placed, placed: readonly Placed[], values: AssumptionValues, tell: Tell): void {
  const fuel = fuelIn(rig, t);
  const engines = blowsExhaust(rig);
  for (const o of placed) {
    if (o.id === t.id) continue;
    const row = ROWS.find((r) => r.is(rig, o, engines));
    if (!row) continue;
    const apart = apartM(t.box, o.box);
    const [above, against] = [over(t.box, o.box), apart < AGAINST];
    const want = row.apart(values);
    const names = {
      fuel: t.name,
      o: o.name,
      d: { value: apart, dimension: 'length' as const, shelf: true },
      want: { value: want, dimension: 'length' as const, shelf: true },
    };
    const catches = row.fuels.includes(fuel);
    // Diesel that drips on a hot engine smokes; it has to be hot itself before it burns.
    if (above || against) {
      const verdict = fuel === 'petrol' ? 'stop' : catches || above ? 'tight' : undefined;
      if (verdict)
        tell(
          row.code,
          verdict,
          t,
          above
            ? message('{fuel} stands over {o}: a drip or a ‹vapor› trail is a fire. Move it, {want} clear.', names)
            : message('{fuel} stands against {o}: a leak or ‹vapor› there is a fire. Keep them {want} apart.', names),
          o,
        );
    } else if (catches && apart < want)
      tell(
        row.code,
        'tight',
        t,
        row.code === 'fuel-oxidiser'
          ? message('{fuel} stands {d} from {o}: fuel and what is in it must never meet. Keep them {want} apart, with ‹a containment tray› between.', names)
          : message('{fuel} stands {d} from {o}: keep them {want} apart.', names),
        o,
      );
  }
}

/** Of a closed body: what burns in it without a pipe outside, fuel and gas that stay in it. */
export function closedBody(rig: Rig, platform: Platform, t: Placed, placed: readonly Placed[], tell: Tell): void {
  if (platform.headroom === undefined) return;
  const engines = blowsExhaust(rig);
  const name = { t: t.name };
  // A side with a door clears nothing: only a pipe does.
  if (engines.has(t.id) && t.place?.exhaustPipe !== true)
    tell(
      'exhaust-inside',
      'stop',
      t,
      t.place?.exhaustPipe === false
        ? message('{t} burns fuel in a closed body, with no pipe outside: carbon monoxide kills. Pipe its exhaust fully outside, or don’t run it.', name)
        : message('{t} burns fuel in a closed body. Is its exhaust piped fully outside? An open door is not enough: carbon monoxide kills.', name),
    );
  if (holdsFuel(rig, t) && fuelIn(rig, t) === 'petrol') {
    const sparks = placed.find((o) => engines.has(o.id) || o.kind === 'battery' || o.kind === 'burner');
    tell(
      'fuel-inside',
      sparks ? 'stop' : 'tight',
      t,
      sparks
        ? message('{t} gives off ‹vapor› in a closed body with {o}: one spark is an explosion. Carry ‹gas› outside the body.', { ...name, o: sparks.name })
        : message('{t} gives off ‹vapor› in a closed body. Carry ‹gas› outside it.', name),
      sparks,
    );
  }
  const battery = t.kind === 'battery' ? rig.batteries.find((b) => b.id === t.id) : undefined;
  if (battery?.chemistry === 'lead-acid' && rig.chargers.some((c) => c.battery === battery.id && c.current > 0))
    tell(
      'battery-gas',
      'tight',
      t,
      message('{t} is charged in a closed body: lead-acid gives off hydrogen. Box it with a vent outside, or use AGM or lithium.', name),
    );
  const held = liquidIn(rig, t);
  if (held && FUMES.has(held.kind) && held.tank.lid === 'open')
    tell('fumes-inside', 'stop', t, message('{t} stands open in a closed body: its fumes burn lungs. Close its lid and vent it outside.', name));
}

/** Pairs that make gas, side by side: what leaks from one reaches the other where nothing catches it. */
export function gasPairs(rig: Rig, placed: readonly Placed[], values: AssumptionValues, tell: Tell): void {
  const held = placed.flatMap((t) => {
    const own = liquidIn(rig, t);
    return own ? [{ t, ...own }] : [];
  });
  held.forEach((a, i) => {
    for (const b of held.slice(i + 1)) {
      const m = meeting(a.kind, b.kind);
      const apart = apartM(a.t.box, b.t.box);
      if (m.verdict !== 'never' || apart >= values['gas-apart'] || (a.tank.bund ?? 0) > 0 || (b.tank.bund ?? 0) > 0) continue;
      tell(
        'gas-pair',
        'tight',
        a.t,
        message('{a} and {b} stand {d} apart with no ‹containment tray› between: {reason}. Keep them {want} apart, or give one a tray.', {
          a: a.t.name,
          b: b.t.name,
          d: { value: apart, dimension: 'length', shelf: true },
          want: { value: values['gas-apart'], dimension: 'length', shelf: true },
          reason: m.reason,
        }),
        b.t,
      );
    }
  });
}
