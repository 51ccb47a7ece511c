import { INCH } from '../quantity/dimension';
import { si } from '../quantity/parse';
import { near } from '../testing/near';
import { EQUIPMENT, EQUIPMENT_KINDS, type EquipmentKind, equipmentOf } from './equipment';

const KINDS = Object.keys(EQUIPMENT_KINDS) as EquipmentKind[];
const sizeOf = (kind: EquipmentKind, text: string): number => si(text, EQUIPMENT_KINDS[kind].by);

test('every kind has at least two sizes, rising, each with price, mass and outside measures; ids are unique', () => {
  expect(new Set(EQUIPMENT.map((e) => e.id)).size).toBe(EQUIPMENT.length);
  for (const kind of KINDS) {
    const own = EQUIPMENT.filter((e) => e.kind === kind);
    expect(own.length).toBeGreaterThan(1);
    own.slice(1).forEach((e, i) => {
      expect(sizeOf(kind, e.size)).toBeGreaterThan(sizeOf(kind, own[i].size));
      expect(e.price).toBeGreaterThanOrEqual(own[i].price);
      expect(e.massKg).toBeGreaterThanOrEqual(own[i].massKg);
    });
    for (const e of own) {
      expect(e.price).toBeGreaterThan(0);
      expect(e.massKg).toBeGreaterThan(0);
      for (const m of e.outsideM) expect(m > 2 * INCH && m < 3).toBe(true);
    }
  }
});
test('a tank holds what it is said to within its outside', () => {
  for (const e of EQUIPMENT.filter((x) => x.kind === 'tank' || x.kind === 'bund')) {
    const [l, w, h] = e.outsideM;
    expect([e.id, l * w * h >= sizeOf(e.kind, e.size)]).toEqual([e.id, true]);
  }
});
test('a size on the list costs what stands there; one between, in proportion; one beyond goes on; none is below nothing', () => {
  for (const e of EQUIPMENT) near(equipmentOf(e.kind, sizeOf(e.kind, e.size)).price, e.price, 1e-12);
  near(equipmentOf('engine', si('11 hp', 'power')).price, 490, 1e-9);
  near(equipmentOf('battery-agm', si('300 Ah', 'charge')).massKg, 84, 1e-9);
  expect(equipmentOf('compressor', 0)).toEqual({ price: 0, massKg: 0 });
});
test('facts of the trade: a 225 gal tank weighs some 40 to 60 lb empty, a 13 hp engine about 70 lb (common practice)', () => {
  const pounds = (kg: number): number => kg / 0.45359237;
  const tank = pounds(equipmentOf('tank', si('225 gal', 'volume')).massKg);
  expect(tank > 40 && tank < 60).toBe(true);
  const engine = pounds(equipmentOf('engine', si('13 hp', 'power')).massKg);
  expect(engine > 60 && engine < 85).toBe(true);
});
