/** The words by which a room is looked for besides its name. */
export const ALSO: Readonly<Record<string, string>> = {
  round: 'today walk water stops',
  fortnight: 'plan calendar days ahead move',
  section: 'beds section soil cut open',
  pots: 'containers shelf weigh seedlings houseplants cacti water acid',
  trees: 'shrubs hedge rose ring orchard gap clock move outward',
  ground: 'tests soil flow measure bucket cans feel',
  weather: 'rain gauge forecast station import file',
  settings: 'units place limits data copy print',
};
