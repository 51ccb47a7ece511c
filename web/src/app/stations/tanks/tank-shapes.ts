import { spell } from '@pozzo/core/page';
export const SHAPE_OPTIONS = [
  { value: 'box', name: spell('Box or ‹tote›') },
  { value: 'upright-cylinder', name: 'Upright cylinder' },
  { value: 'lying-cylinder', name: 'Lying cylinder' },
  { value: 'elliptical', name: 'Elliptical, lying' },
] as const;
