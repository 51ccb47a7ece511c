import { DOORS, type PlatformDocument } from '../rig/schema.js';
import { nextAmong } from './id.js';

/** Wheel boxes about the first axle, as trailers have them. */
export function addWheelBoxes(p: PlatformDocument): void {
  const inches = Number.parseFloat(p.axles[0].at);
  const from = /in$/.test(p.axles[0].at) && Number.isFinite(inches) ? `${inches - 16} in` : p.axles[0].at;
  p.wheelBoxes = { from, length: '32 in', width: '9 in', height: '10 in' };
}

/** A piece of floor that is to stay free, at the front of the deck. Gives its id. */
export function addFree(p: PlatformDocument): string {
  const list = (p.free ??= []);
  const id = nextAmong(list, 'free-');
  list.push({ id, name: 'Kept free', x: '0 in', y: '0 in', length: '24 in', width: '24 in' });
  return id;
}

export function removeFree(p: PlatformDocument, id: string): void {
  p.free = p.free?.filter((f) => f.id !== id);
  if (!p.free?.length) delete p.free;
}

/** Something that rides along and has no place of its own. Gives its id. */
export function addRiding(p: PlatformDocument): string {
  const list = (p.riding ??= []);
  const id = nextAmong(list, 'riding-');
  list.push({ id, name: 'Tools', mass: '50 lb', at: '0 in' });
  return id;
}

export function removeRiding(p: PlatformDocument, id: string): void {
  p.riding = p.riding?.filter((r) => r.id !== id);
  if (!p.riding?.length) delete p.riding;
}

/** A door of a closed body put in or taken out. */
export function setDoor(p: PlatformDocument, side: (typeof DOORS)[number], there: boolean): void {
  const doors = DOORS.filter((d) => (d === side ? there : p.doors?.includes(d)));
  if (doors.length) p.doors = doors;
  else delete p.doors;
}
