import { SHIPPED_WORKS } from '../works/index.js';
import { NORM_GROUPS, listedNorm, normById, normCatalogue, normsOfGroup, normsOfItem } from './index.js';

/** A works that tells norms apart, and has an id with points of its own. */
const works = () => {
  const [machine] = SHIPPED_WORKS.machines;
  if (!machine) throw new Error('no machine');
  const value = { value: 7, source: { label: 'set by user' as const } };
  return {
    ...SHIPPED_WORKS,
    machines: [...SHIPPED_WORKS.machines, { ...machine, id: `${machine.id}.rate`, name: 'With a point' }],
    norms: {
      'spoil.cut.setup@run=over': value,
      [`spoil.cut.setup@machine=${machine.id}`]: value,
      'spoil.cut.setup@machine=nobody': value,
      'price.stock.silk-115@run=over': value,
    },
  };
};

describe('a norm that is looked up', () => {
  it('is the one of the list, without the list being made', () => {
    const list = normCatalogue(works());
    const asked = works();
    for (const [id, norm] of list) expect(listedNorm(asked, id)).toEqual(norm);
    expect(list.has('spoil.cut.setup@run=over')).toBe(true);
  });

  it.each(NORM_GROUPS)('of the group %s is the same as in the list (differential)', (group) => {
    const listed = [...normCatalogue(works()).values()].filter((norm) => norm.group === group);
    expect(listed.length).toBeGreaterThan(2);
    expect(normsOfGroup(works(), group)).toEqual(listed);
  });

  it.each([
    'nothing',
    'machine.nobody.rate',
    'machine.',
    'stock.silk-115',
    'price.stock.',
    'spoil.cut.setup@machine=nobody',
  ])('%s is none, with the list or without it', (id) => {
    const asked = works();
    expect(listedNorm(asked, id)).toBeUndefined();
    expect(normCatalogue(asked).has(id)).toBe(false);
    expect(listedNorm(asked, id)).toBeUndefined();
  });

  it('may be told for a scope that nobody has told yet', () => {
    expect(normById(works(), 'spoil.fold.setup@run=over')?.name).toContain('runs over');
  });
});

describe('norms of an item', () => {
  it.each([
    ['machine', 'b2-four', /^machine\.b2-four\.[^.]+/],
    ['stock', 'silk-115', /^(price\.)?stock\.silk-115/],
  ] as const)('of the %s %s are those of the list', (kind, id, own) => {
    const asked = works();
    const listed = [...normCatalogue(asked).values()].filter((norm) => own.test(norm.id) && !norm.id.includes('@'));
    const found = normsOfItem(works(), kind, id);
    expect(new Set(found.map((norm) => norm.id))).toEqual(new Set(listed.map((norm) => norm.id)));
    expect(found.length).toBeGreaterThan(2);
  });
  it('are none where there is no such item', () => {
    expect(normsOfItem(works(), 'machine', 'silk-115')).toEqual([]);
    expect(normsOfItem(works(), 'stock', 'b2-four')).toEqual([]);
  });
});
