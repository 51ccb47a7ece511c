import { gun, line, nozzleSize, pressureRun, type RigDocument, shelfSize, si, unusedId } from '@pozzo/core';

export { removeGun, splitGun } from '@pozzo/core';

/** A gun of its own for a machine that has none. */
export function addGun(d: RigDocument, machineId: string): string {
  const id = unusedId(d, 'gun');
  const machine = d.machines.find((m) => m.id === machineId)!;
  const pressure = si(machine.ratedPressure, 'pressure') * 0.85;
  d.outlets.push(gun(id, `Gun ${d.outlets.length + 1}`, String(shelfSize(nozzleSize(si(machine.flow, 'flow'), pressure))), machine.ratedPressure));
  d.lines.push(line(unusedId(d, `hose-${id}`), 'pressure', `machine:${machineId}`, `outlet:${id}`, pressureRun('38', '100 ft', '30 ft')));
  return id;
}
