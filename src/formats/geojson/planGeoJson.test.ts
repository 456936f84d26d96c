/* Read back by JSTS, an independent library of plane geometry that did not write it. */
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import GeoJSONReader from 'jsts/org/locationtech/jts/io/GeoJSONReader.js';
import 'jsts/org/locationtech/jts/monkey.js';
import type { Plan } from '@/model';
import { planGeoJson } from './planGeoJson';

const plan: Plan = {
  id: 'p',
  name: 'Ground floor',
  file: '018f0000-0000-7000-8000-000000000001',
  width: 40_000,
  height: 30_000,
  scale: { from: [0, 0], to: [400, 0], length: { value: '1' } },
  traced: [
    {
      id: 'a',
      name: 'porch',
      label: 'Porch',
      kind: 'area',
      figures: [
        {
          points: [
            [4000, 4000],
            [4000, 9600],
            [10400, 9600],
            [10400, 4000],
          ],
        },
        {
          points: [
            [20000, 4000],
            [24000, 4000],
            [24000, 8000],
          ],
        },
        {
          points: [
            [8000, 4400],
            [9600, 4400],
            [9600, 5200],
            [8000, 5200],
          ],
          cut: true,
        },
      ],
    },
    {
      id: 'r',
      name: 'fence',
      label: 'Fence',
      kind: 'length',
      figures: [
        {
          points: [
            [0, 0],
            [1200, 1600],
          ],
        },
      ],
    },
    {
      id: 'c',
      name: 'posts',
      label: 'Posts',
      kind: 'count',
      figures: [
        {
          points: [
            [400, 800],
            [800, 800],
          ],
        },
      ],
    },
  ],
};

interface Read {
  getArea(): number;
  getLength(): number;
  getNumGeometries(): number;
  isValid(): boolean;
  getGeometryType(): string;
}
const reader = new GeoJSONReader(new GeometryFactory()) as { read(geometry: unknown): Read };

test('an independent reader finds the same areas, lengths and counts', () => {
  const { features, ...rest } = planGeoJson(plan);
  expect(rest).toEqual({ type: 'FeatureCollection', name: 'Ground floor', 'impegno:unit': 'foot' });
  const [area, run, count] = features.map(({ geometry }) => reader.read(geometry));
  expect(area!.isValid()).toBe(true);
  expect(area!.getArea()).toBeCloseTo(Number(features[0]!.properties.quantity), 3);
  expect(area!.getLength()).toBeCloseTo(Number(features[0]!.properties.quantity_edge), 3);
  expect(features[0]!.properties).toMatchObject({
    name: 'porch',
    label: 'Porch',
    unit: 'sqft',
    quantity: '266',
  });
  expect(run!.getLength()).toBe(5);
  expect([count!.getGeometryType(), count!.getNumGeometries()]).toEqual(['MultiPoint', 2]);
});

// RFC 7946 §3.1.6: linear rings are closed; outer rings run counter-clockwise, holes clockwise.
test('rings are closed and turn the way RFC 7946 wants', () => {
  const geometry = planGeoJson(plan).features[0]!.geometry;
  const turn = (ring: [number, number][]) =>
    ring.slice(1).reduce((sum, [x, y], i) => sum + ring[i]![0] * y - x * ring[i]![1], 0);
  for (const [outer, ...holes] of geometry.coordinates as [number, number][][][]) {
    expect(outer![0]).toEqual(outer!.at(-1));
    expect(turn(outer!)).toBeGreaterThan(0);
    for (const hole of holes) expect(turn(hole)).toBeLessThan(0);
  }
  expect((geometry.coordinates as unknown[][]).map(({ length }) => length)).toEqual([2, 1]);
});

test('without a scale it is in pixels and says so; what cannot be computed is null', () => {
  const { scale: _, ...unscaled } = plan;
  const written = planGeoJson(unscaled);
  expect(written['impegno:unit']).toBe('pixel');
  expect(written.features.map(({ properties }) => properties.quantity)).toEqual([null, null, '2']);
  expect(written.features[2]!.geometry.coordinates).toEqual([
    [40, 2920],
    [80, 2920],
  ]);
});
