import { geoContains } from 'd3-geo';
import type { MultiPolygon, Polygon } from 'geojson';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';

const EARTH_KM = 6371;
const RADIANS = Math.PI / 180;

type Vector = readonly [number, number, number];
const vectorOf = (longitudeDeg: number, latitudeDeg: number): Vector => {
  const [lon, lat] = [longitudeDeg * RADIANS, latitudeDeg * RADIANS];
  return [Math.cos(lat) * Math.cos(lon), Math.cos(lat) * Math.sin(lon), Math.sin(lat)];
};

/**
 * How far places are from the sea.
 * Source: Natural Earth's land at 1:50 million, as `world-atlas` carries it; small islands are not on it.
 */
export class Coast {
  private readonly land: readonly (Polygon | MultiPolygon)[];
  private readonly shore: readonly Vector[];

  constructor(outline: Topology<{ land: GeometryCollection }>) {
    this.land = feature(outline, outline.objects.land).features.map(
      ({ geometry }) => geometry as Polygon | MultiPolygon,
    );
    this.shore = this.land
      .flatMap((land) => (land.type === 'Polygon' ? [land.coordinates] : land.coordinates))
      .flat(2)
      .map(([longitudeDeg = 0, latitudeDeg = 0]) => vectorOf(longitudeDeg, latitudeDeg));
  }

  /** Kilometres to the nearest shore, to about five; 0 out at sea, where only an island can be. */
  distanceKm(latitudeDeg: number, longitudeDeg: number): number {
    if (!this.land.some((land) => geoContains(land, [longitudeDeg, latitudeDeg]))) return 0;
    const [x, y, z] = vectorOf(longitudeDeg, latitudeDeg);
    let nearest = -1;
    for (const point of this.shore) nearest = Math.max(nearest, x * point[0] + y * point[1] + z * point[2]);
    return EARTH_KM * Math.acos(Math.min(1, nearest));
  }
}
