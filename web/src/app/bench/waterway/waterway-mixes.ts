import type { AsTold, MixResult } from '@pozzo/core';
import { lineWords } from './line-words';
import type { Pen } from './waterway-layout';
import { GUN_X, MACHINE_X, MIX_X, REEL_X } from './waterway-places';

/** One mix: its streams from their tanks, its pump or injector, its hose and gun. */
export function drawMix({ doc, a, system, q, marks, stretch, widthOf, tankBox, pipes, nodes }: Pen, m: AsTold<MixResult>, at: number): void {
  const mix = doc.mixes!.find((x) => x.id === m.mixId)!;
  const strength = m.first.value > 0 ? ` at ${q(m.first.value, 'ratio')}` : '';
  const own = stretch(`mix:${m.mixId}`, 'mix', m.mixId, `${mix.name}, ${q(m.flow.value, 'flow')}${strength}`);
  m.streams.forEach((s, i) => {
    const box = tankBox.get(s.tankId ?? '');
    if (!box) return;
    const outY = Math.min(Math.max(at + (i - 1) * 9, box.y + 14), box.y + box.h - 8);
    const turn = box.x + box.w + 14 + i * 10;
    pipes.push({
      ...own,
      kind: s.kind === 'water' || s.kind === 'pure-water' ? 'stream' : 'chem',
      path: `M${box.x + box.w} ${outY}H${turn}V${at}H${MIX_X}`,
      width: Math.max(widthOf(s.flowM3s) * 0.8, 2),
      flowing: s.flowM3s > 0,
    });
  });
  const pump = doc.softPumps?.find((p) => p.id === m.pumpId);
  const result = a.chemical.softPumps.find((p) => p.pumpId === m.pumpId);
  const clear = m.streams.every((s) => s.kind === 'water' || s.kind === 'pure-water');
  const kind = clear ? 'stream' : 'chem';
  const text = clear ? q(m.flow.value, 'flow', 2) : `${q(m.first.value, 'ratio')} at the wall`;
  const words = mix.way === 'downstream' || mix.way === 'nozzle';
  if (words) {
    const gun = doc.outlets.find((o) => o.id === mix.injector?.outlet);
    pipes.push({
      ...own,
      kind: 'chem',
      path: `M${MIX_X} ${at}H${MACHINE_X + 96}`,
      width: 4,
      flowing: true,
      pill: { x: 576, y: at, text: '', width: 0 },
      title: { x: MACHINE_X + 108, y: at - 2, text: `into the hose of ${gun?.name ?? 'the gun'}`, sub: `${text}, ${q(m.flow.value, 'flow', 2)}` },
    });
  } else {
    const hose = doc.lines.find((l) => l.from.at === 'soft-pump' && l.from.id === m.pumpId);
    pipes.push({ ...own, kind, path: `M${MIX_X} ${at}H${MACHINE_X - 22}`, width: 5, flowing: true });
    pipes.push({
      ...own,
      kind,
      path: `M${MACHINE_X + 22} ${at}H${GUN_X}`,
      width: widthOf(m.flow.value),
      flowing: m.flow.value > 0,
      title: { x: REEL_X - 46, y: at - 36, text: `Hose ${lineWords(hose, system)}`, sub: '' },
    });
    if (pump)
      nodes.push({
        ...stretch(`pump:${pump.id}`, 'machines', pump.id, `${pump.name}, ${result ? q(result.flow.value, 'flow') : pump.openFlow}`),
        kind: 'soft-pump',
        x: MACHINE_X,
        y: at,
        r: 22,
        name: pump.name,
        sub: result ? `${q(result.flow.value, 'flow')} · ${q(result.rise.value, 'pressure', 2)}` : '',
      });
    nodes.push({ ...own, kind: 'reel', x: REEL_X, y: at, r: 20, name: '', sub: '' });
    const sprayer = doc.sprayers?.find((s) => s.id === m.sprayerId);
    nodes.push({ ...own, kind: 'gun', x: GUN_X, y: at, r: 18, name: sprayer?.name ?? 'Gun', sub: clear ? text : `${text} · ${q(m.flow.value, 'flow', 2)}` });
  }
  // The mark at a mix tells its pump too: a mix whose pump is starved is not fed.
  const verdict = marks.of(`mix:${m.mixId}`, ...(pump ? [`pump:${pump.id}`] : []));
  nodes.push({ ...own, verdict, kind: 'mix', x: MIX_X, y: at, r: 15, name: mix.name, sub: '', mark: { x: 504, y: at - 42 } });
}
