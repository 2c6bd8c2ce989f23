/** What lists are given to choose from while they are tried. */
export const sampleChoices = [
  { value: 'ALD', text: 'Aldervik' },
  { value: 'BRE', text: 'Brennholm' },
  { value: 'TOR', text: 'Torsund' },
  { value: 'LSU', text: 'Little Sule' },
] as const;
