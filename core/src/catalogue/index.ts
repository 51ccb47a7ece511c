export * from './part-loss.js';
export * from './items.js';
export * from './build-line.js';
export * from './chemical-pieces.js';
export * from './usual-things.js';
export { bill, type Bill } from './bill.js';
export { EQUIPMENT, type Equipment, EQUIPMENT_KINDS, type EquipmentKind, equipmentOf } from './equipment.js';
export { TANK_SIZES, type StockTank } from './tank-sizes.js';
