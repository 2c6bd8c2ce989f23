import {
  foreignInputs,
  inputsOf,
  nativeAdapters,
  partOf,
  putTogether,
  sentencesFor,
  versionOf,
  withPart,
  type AdapterDescription,
} from '../src/index.js';

const number = nativeAdapters['number'] as AdapterDescription;
const dial: AdapterDescription = { ...number, input: 'tide#Dial', samples: ['9.7', '10.1'] };
const position = putTogether([
  { name: 'latitude', label: 'Latitude', use: { ...number, samples: ['57.2', '58'] } },
  { name: 'longitude', label: 'Longitude', use: dial },
]);

describe('inputs put together', () => {
  it('show an object with a member for each part, and have samples of their parts’', () => {
    expect(position.samples).toEqual([
      { latitude: '57.2', longitude: '9.7' },
      { latitude: '58', longitude: '10.1' },
    ]);
    expect(partOf({ latitude: '57.2' }, 'longitude')).toBeUndefined();
    expect(partOf('57.2', 'latitude')).toBeUndefined();
    // A part may be called anything; nothing inherited is taken for its value.
    expect(partOf({}, 'constructor')).toBeUndefined();
  });
  it('report the whole when one part changes, and nothing that is no part', () => {
    const { parts = [] } = position;
    expect(withPart({ latitude: '57.2', depth: 3 }, parts, 'longitude', '9.7')).toEqual({
      latitude: '57.2',
      longitude: '9.7',
    });
    expect(withPart(undefined, parts, 'latitude', undefined)).toEqual({});
  });
  it('need the inputs of their parts; HTML’s own need no bundling', () => {
    expect(inputsOf(position)).toEqual(['native#number', 'tide#Dial']);
    expect(foreignInputs(position)).toEqual(['tide#Dial']);
    expect(foreignInputs(number)).toEqual([]);
    expect(versionOf(position, { 'tide#Dial': { version: '2.1.0' } })).toBe('2.1.0');
  });
  it('are read aloud by what they are made of', () => {
    expect(sentencesFor(position).map(({ parts }) => parts.join(''))[0]).toContain('“latitude”, “longitude”');
  });
});
