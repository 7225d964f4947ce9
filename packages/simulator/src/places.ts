import { AREAS } from './names.ts';

/** Where something is, degrees north and east. */
export interface Place {
  readonly lat: number;
  readonly lng: number;
}

/** Where the demo firm's days begin: out at sea, where nobody lives. */
export const YARD: Place = { lat: 40, lng: -45 };

/** Miles of its areas from there, and of a system from the middle of its area, at most; about what a town of this size has. */
const [TO_AREA, IN_AREA] = [4.5, 1.8];
const MILES_A_DEGREE = 69;
/** The angle by which each of a row of points is turned on, so that no two lie alike. */
const GOLDEN = 2.399963;

function off({ lat, lng }: Place, miles: number, angle: number): Place {
  const round = (n: number) => Math.round(n * 1e4) / 1e4;
  const north = (miles * Math.sin(angle)) / MILES_A_DEGREE;
  const east = (miles * Math.cos(angle)) / (MILES_A_DEGREE * Math.cos((lat * Math.PI) / 180));
  return { lat: round(lat + north), lng: round(lng + east) };
}

/** The middle of an area. */
const placeOfArea = (area: string): Place =>
  off(
    YARD,
    TO_AREA,
    (2 *
      Math.PI *
      Math.max(
        0,
        AREAS.findIndex((a) => a === area),
      )) /
      AREAS.length,
  );

/** All of the demo firm's areas, and where they are. */
export const placesOfAreas = () => AREAS.map((area) => ({ area, place: placeOfArea(area) }));

/** Where a firm's system is, by its area and its number in the firm. */
export const placeOfSystem = (area: string, n: number): Place =>
  off(placeOfArea(area), IN_AREA * Math.sqrt(((n * 7) % 23) / 23), n * GOLDEN);
