/** Where something is, degrees north and east. */
export interface GeoPlace {
  readonly lat: number;
  readonly lng: number;
}

/** Mean radius of the earth, miles (IUGG). */
const EARTH_MILES = 3958.76;
/** How much longer a way by road is than the straight line, and how fast it is gone in town, miles an hour; from memory. */
export const DETOUR = 1.3;
export const TOWN_MPH = 28;
/** Minutes to park, to carry in and to ring, on every way. */
const TO_THE_DOOR = 3;
/** What a way counts where one end of it is not known, minutes. */
export const UNKNOWN_WAY = 15;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The straight line over the earth between two places, miles (haversine). */
export function milesBetween(a: GeoPlace, b: GeoPlace): number {
  const [dLat, dLng] = [radians(b.lat - a.lat) / 2, radians(b.lng - a.lng) / 2];
  const half = Math.sin(dLat) ** 2 + Math.cos(radians(a.lat)) * Math.cos(radians(b.lat)) * Math.sin(dLng) ** 2;
  return 2 * EARTH_MILES * Math.asin(Math.min(1, Math.sqrt(half)));
}

/** Minutes from one place to another: the straight line times a detour, at town speed. 0 within one yard. */
export function wayMinutes(a: GeoPlace | null, b: GeoPlace | null): number {
  if (a === null || b === null) return UNKNOWN_WAY;
  const miles = milesBetween(a, b);
  return miles < 0.02 ? 0 : Math.round(TO_THE_DOOR + ((miles * DETOUR) / TOWN_MPH) * 60);
}

/** One number of a place with its side: "40.7N", "-74". */
const PART = /^([+-]?\d{1,3}(?:\.\d+)?)([NSEW]?)$/;

/**
 * Reads a place as maps write it: "40.7128, -74.006", "40.7128° N, 74.006° W" or "geo:40.7128,-74.006".
 * Null for what is none: a pair out of range, two latitudes, or no pair at all.
 */
export function readPlace(text: string): GeoPlace | null {
  const plain = text.trim().toUpperCase().replace('GEO:', '').replaceAll('°', '');
  // A side stands by its number: "40.7 N" is one part.
  const parts = ['N', 'S', 'E', 'W'].reduce((t, side) => t.replaceAll(` ${side}`, side), plain).split(/[,;\s]+/);
  const [first, second, ...more] = parts.map((part) => PART.exec(part));
  if (!first || !second || more.length > 0) return null;
  const [[, a = '', aSide = ''], [, b = '', bSide = '']] = [first, second];
  if ((aSide === '') !== (bSide === '')) return null;
  const signed = (number: string, side: string) => (side === 'S' || side === 'W' ? -Number(number) : Number(number));
  const isLng = (side: string) => side === 'E' || side === 'W';
  if (aSide !== '' && isLng(aSide) === isLng(bSide)) return null;
  const [north, east] = isLng(aSide) ? [signed(b, bSide), signed(a, aSide)] : [signed(a, aSide), signed(b, bSide)];
  return Math.abs(north) <= 90 && Math.abs(east) <= 180 ? { lat: north, lng: east } : null;
}

/** A place as it is shown, and read again: to a ten-thousandth of a degree, some ten yards. */
export const sayPlace = ({ lat, lng }: GeoPlace): string => `${lat.toFixed(4)}, ${lng.toFixed(4)}`;
