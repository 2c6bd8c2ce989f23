/** What the typical form begins with. */
export const begin = {
  cargo: [
    { what: 'Timber', mass: 2.5 },
    { what: 'Nails', mass: 4 },
  ],
};
