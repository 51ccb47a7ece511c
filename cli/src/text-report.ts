import { type Assessment, caseWords, formatQuantity, type Rig, say, SEVERITY_WORDS, severityWord, type UnitSystem } from '@pozzo/core';

/** An assessment for people: verdict, findings, then the figures by subject. */
export function textReport(rig: Rig, a: Assessment, system: UnitSystem): string {
  const q = (value: number, dimension: Parameters<typeof formatQuantity>[1]): string => formatQuantity(value, dimension, system);
  const name = (list: readonly { id: string; name: string }[], id: string): string => list.find((x) => x.id === id)?.name ?? id;
  const lines: string[] = [`${rig.name}: ${SEVERITY_WORDS[a.scale][a.verdict]}`, say(a.headline, system), ''];
  for (const f of a.findings) lines.push(`  ${severityWord(f).padEnd(14)} ${say(f.message, system)}`);
  if (a.findings.length) lines.push('');
  for (const f of a.fills)
    lines.push(`Fill   ${name(rig.tanks, f.tankId)}: ${q(f.arrives.value, 'flow')} arrive (poor site ${q(f.poor, 'flow')}, good ${q(f.good, 'flow')})`);
  for (const t of a.tanks)
    lines.push(
      `Tank   ${name(rig.tanks, t.tankId)}: ${q(t.usable.value, 'volume')} usable, ${q(t.draw.value, 'flow')} out, ${q(t.inflow.value, 'flow')} in; ${
        Number.isFinite(t.timeToEmpty.value) ? `empty in ${q(t.timeToEmpty.value, 'time')} with triggers held` : 'the spigot keeps up'
      }`,
    );
  for (const f of a.feeds)
    lines.push(`Feed   ${name(rig.machines, f.machineId)}: ${q(f.margin.value, 'length')} inlet head to spare at ${caseWords(f.worst, f.direct)}`);
  for (const o of a.outlets) lines.push(`Gun    ${name(rig.outlets, o.outletId)}: ${q(o.pressure.value, 'pressure')}, ${q(o.flow.value, 'flow')}`);
  for (const b of a.bypasses)
    lines.push(
      `Bypass ${name(rig.machines, b.machineId)}: to the ${b.goesTo}, ${q(b.heatW, 'power')} of heat, ${Number.isFinite(b.minutesToLimit.value) ? `limit after ${q(b.minutesToLimit.value, 'time')}` : 'no limit'}`,
    );
  for (const d of a.drains) if (d.time) lines.push(`Dump   ${name(rig.tanks, d.tankId)}: ${q(d.time.value, 'time')} to drain`);
  if (a.cautions.length) lines.push('', ...a.cautions.map((c) => `! ${c.text}`));
  return lines.join('\n');
}
