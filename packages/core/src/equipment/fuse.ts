import { controlFuseOf, type Plate } from './plate.ts';

/** Whether a fuse of so many A may be fitted where the board says its own: as many or less, never more. NEC 240.4; common practice. */
export const isFuseAllowed = (plate: Plate, amps: number): boolean => amps <= controlFuseOf(plate);
