/** Yes, no, and nobody said. */
export const SAID_OPTIONS = [
  { value: '', name: 'Not said' },
  { value: 'true', name: 'Yes' },
  { value: 'false', name: 'No' },
];

/** What a plate says of volts; left out, those of the battery it hangs on. */
export const PLATE_OPTIONS = [
  { value: '', name: 'Its battery' },
  { value: '12', name: '12 V' },
  { value: '24', name: '24 V' },
];
