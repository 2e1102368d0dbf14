// What the bridge has to offer: accounts of three sizes, and telephone numbers.

/** The first is the one that is used where none is named. `null`: no bound. */
export const ACCOUNTS = [
  {
    id: 'greenhouse',
    name: 'Greenhouse',
    minutes: 480,
    people: 100,
    co_hosts: 5,
    features: ['captions', 'sign_in', 'countries', 'recording'],
  },
  { id: 'bench', name: 'Potting bench', minutes: 40, people: 12, co_hosts: 1, features: ['captions'] },
  {
    id: 'field',
    name: 'Open field',
    minutes: null,
    people: 1000,
    co_hosts: null,
    features: ['captions', 'sign_in', 'countries', 'recording', 'name_mark'],
  },
];

/**
 * Numbers that the offices which give them out keep for fiction (GB, US, CA, AU, DE, FR, IE, SE; from memory), or that are made up in
 * the form of their country. `free`: calling it costs nothing there.
 */
export const DIAL_INS = [
  ['AR', '+541155550142'],
  ['AT', '+4315550142'],
  ['AU', '+61255500142'],
  ['AU', '+611800975707', true],
  ['BE', '+3225550142'],
  ['BR', '+551155550142'],
  ['CA', '+16135550142'],
  ['CH', '+41445550142'],
  ['CL', '+56225550142'],
  ['CZ', '+420225550142'],
  ['DE', '+493023125142'],
  ['DK', '+4535550142'],
  ['EG', '+20225550142'],
  ['ES', '+34915550142'],
  ['FI', '+35895550142'],
  ['FR', '+33199004142'],
  ['GB', '+442079460142'],
  ['IE', '+353209180142'],
  ['IN', '+911155501420'],
  ['IT', '+390655550142'],
  ['JP', '+81355500142'],
  ['KE', '+254202555142'],
  ['KR', '+82255550142'],
  ['MX', '+525555500142'],
  ['NG', '+23415550142'],
  ['NL', '+31205550142'],
  ['NO', '+4722550142'],
  ['NZ', '+6495550142'],
  ['PE', '+5115550142'],
  ['PL', '+48225550142'],
  ['PT', '+351215550142'],
  ['SE', '+46846500442'],
  ['SG', '+6565550142'],
  ['US', '+12025550142'],
  ['US', '+18005550142', true],
  ['ZA', '+27115550142'],
].map(([country, number, free = false]) => ({ country, number, free }));
