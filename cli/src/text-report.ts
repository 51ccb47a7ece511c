import { type Assessment, caseWords, cableSize, spell, formatQuantity, HEAT_UNIT, type Rig, say, severityWord, type UnitSystem } from '@pozzo/core';
import { type BuildVerdict, verdictLines } from './build-verdict.js';

/** An assessment for people: the verdict with days and road counted in, findings, then the figures by subject. */
export function textReport(rig: Rig, a: Assessment, said: BuildVerdict, system: UnitSystem): string {
  const q = (value: number, dimension: Parameters<typeof formatQuantity>[1]): string => formatQuantity(value, dimension, system);
  /** How a tank's water ends with the triggers held; a spigot keeps up only where there is one. */
  const tankEnd = (t: Assessment['tanks'][number]): string => {
    if (t.fullDraw.value <= 0)
      return rig.lines.some((l) => l.role === 'chemical' && !l.closed && l.from.at === 'tank' && l.from.id === t.tankId)
        ? 'only mixes draw on it'
        : 'nothing draws on it';
    if (Number.isFinite(t.timeToEmpty.value)) return `empty in ${q(t.timeToEmpty.value, 'time')} with triggers held`;
    return t.inflow.value > 0 ? 'the ‹spigot› keeps up' : 'it lasts';
  };
  const name = (list: readonly { id: string; name: string }[], id: string): string => list.find((x) => x.id === id)?.name ?? id;
  const lines = verdictLines(rig, said, system);
  lines.push('');
  for (const f of a.findings) lines.push(`  ${severityWord(f).padEnd(14)} ${say(f.message, system)}`);
  if (a.findings.length) lines.push('');
  for (const f of a.fills)
    lines.push(`Fill   ${name(rig.tanks, f.tankId)}: ${q(f.arrives.value, 'flow')} arrive (poor site ${q(f.poor, 'flow')}, good ${q(f.good, 'flow')})`);
  for (const t of a.tanks)
    lines.push(
      `Tank   ${name(rig.tanks, t.tankId)}: ${q(t.usable.value, 'volume')} usable, ${q(t.draw.value, 'flow')} out, ${q(t.inflow.value, 'flow')} in; ${tankEnd(
        t,
      )}`,
    );
  for (const m of a.machines)
    lines.push(
      `Pump   ${name(rig.machines, m.machineId)}: ${q(m.pumpPressure.value, 'pressure')} with every gun open, ${q(m.returned.value, 'flow')} turned back; engine ${q(m.enginePower.value, 'power')} of ${q(m.engineAvailable.value, 'power')}`,
    );
  for (const f of a.feeds)
    lines.push(`Feed   ${name(rig.machines, f.machineId)}: ${q(f.margin.value, 'length')} inlet head to spare at ${caseWords(f.worst, f.direct)}`);
  for (const o of a.outlets) lines.push(`Gun    ${name(rig.outlets, o.outletId)}: ${q(o.pressure.value, 'pressure')}, ${q(o.flow.value, 'flow')}`);
  for (const b of a.bypasses)
    lines.push(
      `Bypass ${name(rig.machines, b.machineId)}: to the ${b.goesTo}, ${formatQuantity(b.heatW, 'power', system, { unit: HEAT_UNIT[system] })} of heat, ${Number.isFinite(b.minutesToLimit.value) ? `limit after ${q(b.minutesToLimit.value, 'time')}` : 'no limit'}`,
    );
  for (const d of a.drains) if (d.time) lines.push(`Dump   ${name(rig.tanks, d.tankId)}: ${q(d.time.value, 'time')} to drain`);
  for (const p of a.chemical.softPumps)
    lines.push(
      `Soft   ${name(rig.softPumps, p.pumpId)}: ${q(p.flow.value, 'flow')} at ${q(p.rise.value, 'pressure')}, jet ${q(p.jetHeight.value, 'length')} high`,
    );
  for (const m of a.chemical.mixes)
    lines.push(
      `Mix    ${name(rig.mixes, m.mixId)}: ${q(m.first.value, 'ratio')} at the wall, ${q(m.last.value, 'ratio')} by the last minute; target ${q(m.wanted.value, 'ratio')}`,
    );
  for (const r of a.reels) lines.push(`Reel   ${name(rig.reels, r.reelId)}: ${q(r.hoseM, 'length')} of hose`);
  for (const r of a.runs)
    lines.push(
      `Run    ${name(rig.outlets, r.outletId)}: ${q(r.carried.value, 'length')} carried of ${q(r.needed.value, 'length')} needed, ${q(r.arrives.value, 'pressure')} arrives`,
    );
  if (a.weight?.judged) {
    const { weight } = a;
    const heaviest = weight.states.find((s) => s.id === weight.heaviest);
    const worst = heaviest && [...heaviest.limits].sort((x, y) => y.loadKg / y.ratingKg - x.loadKg / x.ratingKg).at(0);
    if (heaviest)
      lines.push(
        `Weight ${say(heaviest.name, system)}: ${q(heaviest.massKg, 'mass')}${worst ? `; ${spell(worst.name)} carries ${q(worst.loadKg, 'mass')} of ${q(worst.ratingKg, 'mass')}` : ''}${heaviest.tongueShare === undefined ? '' : `; ${q(heaviest.tongueShare, 'ratio')} on the ‹coupler›`}`,
      );
  }
  for (const t of a.fuel.tanks)
    lines.push(
      `Fuel   ${t.name}: ${q(t.usable.value, 'volume')} of ${t.fuel === 'petrol' ? '‹gas›' : 'diesel'} usable${Number.isFinite(t.lastsS) ? `, ${q(t.lastsS, 'time')} at full power` : ''}`,
    );
  for (const b of a.batteries) lines.push(`Charge ${b.name}: the day takes ${q(b.net.value, 'charge')} of ${q(b.usableAs, 'charge')} usable`);
  for (const c of a.circuits)
    lines.push(
      `Wire   ${c.name}: ${q(c.current.value, 'current')}${c.gauge === undefined ? '' : ` on ${cableSize(c.gauge)}`}, ${c.fuseA === undefined ? 'no fuse' : `fuse ${q(c.fuseA, 'current')}`}, ${q(c.voltage, 'voltage')} at it`,
    );
  for (const c of a.air.compressors)
    lines.push(
      `Air    ${name(rig.compressors, c.compressorId)}: ${q(c.need.value, 'airFlow')} used of ${q(c.givesM3s, 'airFlow')}, cut-out at ${q(c.cutOutPa, 'pressure')}`,
    );
  for (const b of a.burners)
    lines.push(
      `Heat   ${name(rig.burners, b.burnerId)}: ${q(b.rise.value, 'temperatureStep')} hotter, ${q(b.out.value, 'temperature')} at the coil, ${q(b.fuel.value, 'flow')} of fuel`,
    );
  if (a.cautions.length) lines.push('', ...a.cautions.map((c) => `! ${c.text}`));
  return lines.join('\n');
}
