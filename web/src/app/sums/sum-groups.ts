import { spell } from '@pozzo/core/page';
/** Sums in the order a builder looks for them; those of a group are ways round of one another. */
export const SUM_GROUPS: readonly { readonly name: string; readonly sums: readonly string[] }[] = [
  { name: 'Nozzle', sums: ['nozzle-flow', 'nozzle-size', 'nozzle-pressure', 'nozzle-wear', 'jet-height', 'recoil', 'surface-cleaner'] },
  { name: 'Hose and reel', sums: ['hose-loss', 'hose-bore', 'hose-reach', 'coil-loss', 'hose-volume', 'hose-weight', 'reel-capacity'] },
  {
    name: spell('Tank and ‹spigot›'),
    sums: ['tank-holds', 'bucket-test', 'spigot-curve', 'time-to-empty', 'drain-time', 'gravity-fill', 'vent-vacuum', 'submergence'],
  },
  { name: 'Pump', sums: ['engine-power', 'npsh', 'acceleration-head', 'bypass-heat'] },
  { name: 'Mix and stock', sums: ['dilution', 'batch', 'proportioner', 'downstream', 'coverage', 'sh-age', 'trade-to-weight'] },
  {
    name: 'Wire, fuel and heat',
    sums: [
      'cable',
      'voltage-drop',
      'cable-reach',
      'fuse',
      'fuse-load',
      'starter',
      'starter-reach',
      'reel-motor',
      'battery-hours',
      'battery-size',
      'generator',
      'fuel-day',
      'fuel-tank',
      'gravity-fuel',
      'burner',
      'burner-rise',
      'air-line',
    ],
  },
  { name: 'Soft wash, glass and frost', sums: ['flush', 'battery-day', 'air-need', 'receiver', 'resin-life', 'antifreeze'] },
];
