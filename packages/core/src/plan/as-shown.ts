/** The name of the pair that says that the others carry what was shown: no script ran that could have parsed it. */
export const asShownName = 'as';
