import { edgeName, readTraced, scaleFeet } from '@/core/plan';
import { writeFixed } from '@/core/number';
import type { Plan, PlanPoint, Traced } from '@/model';

type Position = [number, number];

interface Feature {
  readonly type: 'Feature';
  readonly id: string;
  readonly geometry:
    | { readonly type: 'MultiPolygon'; readonly coordinates: Position[][][] }
    | { readonly type: 'MultiLineString'; readonly coordinates: Position[][] }
    | { readonly type: 'MultiPoint'; readonly coordinates: Position[] };
  readonly properties: Readonly<Record<string, string | null>>;
}

export interface PlanGeoJson {
  readonly type: 'FeatureCollection';
  readonly name: string;
  /** What one coordinate unit is: GeoJSON proper (RFC 7946) is on the globe, a plan is not. */
  readonly 'impegno:unit': 'foot' | 'pixel';
  readonly features: readonly Feature[];
}

const signedArea = (points: readonly Position[]): number =>
  points.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = points[(i + 1) % points.length]!;
    return sum + x * nextY - nextX * y;
  }, 0);

/** Closed, outer rings counter-clockwise and cut-outs clockwise, as RFC 7946 §3.1.6 wants. */
function ring(points: Position[], clockwise: boolean): Position[] {
  const turned = signedArea(points) < 0 === clockwise ? points : [...points].reverse();
  return [...turned, turned[0]!];
}

const inside = ([x, y]: Position, points: readonly Position[]): boolean => {
  let odd = false;
  for (const [i, [ax, ay]] of points.entries()) {
    const [bx, by] = points[(i + 1) % points.length]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) odd = !odd;
  }
  return odd;
};
const middle = (points: readonly Position[]): Position => [
  points.reduce((sum, [x]) => sum + x, 0) / points.length,
  points.reduce((sum, [, y]) => sum + y, 0) / points.length,
];

function geometryOf(traced: Traced, place: (point: PlanPoint) => Position): Feature['geometry'] {
  const figures = traced.figures.map(({ points, cut }) => ({ points: points.map(place), cut: cut === true }));
  if (traced.kind === 'count')
    return { type: 'MultiPoint', coordinates: figures.flatMap(({ points }) => points) };
  if (traced.kind === 'length')
    return {
      type: 'MultiLineString',
      coordinates: figures.filter(({ points }) => points.length > 1).map(({ points }) => points),
    };
  const outlines = figures.filter(({ cut, points }) => !cut && points.length > 2).map(({ points }) => points);
  const polygons = outlines.map((points) => [ring(points, false)]);
  for (const { points } of figures.filter((figure) => figure.cut && figure.points.length > 2)) {
    const within = outlines.findIndex((outline) => inside(middle(points), outline));
    polygons[Math.max(within, 0)]?.push(ring(points, true));
  }
  return { type: 'MultiPolygon', coordinates: polygons };
}

/**
 * What was traced on a plan in the manner of GeoJSON (RFC 7946): one feature each, named, with its quantity. Coordinates
 * are feet to the right and up from the lower left corner of the plan, to a ten-thousandth; pixels where there is no
 * scale. docs/formats/plan-geojson.md
 */
export function planGeoJson(plan: Plan): PlanGeoJson {
  const feet = scaleFeet(plan);
  const per = feet ?? 0.1;
  const rounded = (value: number) => Math.round(value * 10_000) / 10_000;
  const place = ([x, y]: PlanPoint): Position => [rounded(x! * per), rounded((plan.height - y!) * per)];
  return {
    type: 'FeatureCollection',
    name: plan.name,
    'impegno:unit': feet === null ? 'pixel' : 'foot',
    features: plan.traced.map((traced) => {
      const { figures } = readTraced(traced, plan);
      const unit = { area: 'sqft', length: 'ft', count: 'each' }[traced.kind];
      return {
        type: 'Feature',
        id: traced.id,
        geometry: geometryOf(traced, place),
        properties: {
          name: traced.name,
          label: traced.label,
          kind: traced.kind,
          quantity: figures && writeFixed(figures.value),
          unit,
          ...(figures?.edge == null ? {} : { [edgeName('quantity')]: writeFixed(figures.edge) }),
        },
      };
    }),
  };
}
