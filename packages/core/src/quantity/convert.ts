/** °C to °F, exact by definition: fahrenheitOf(100) is 212. */
export const fahrenheitOf = (celsius: number): number => (celsius * 9) / 5 + 32;

/** °F to °C, exact by definition: celsiusOf(212) is 100. */
export const celsiusOf = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/** nF to µF: microfaradsOfNano(7500) is 7.5. */
export const microfaradsOfNano = (nanofarads: number): number => nanofarads / 1000;

/** µF to nF: nanofaradsOfMicro(7.5) is 7500. */
export const nanofaradsOfMicro = (microfarads: number): number => microfarads * 1000;

/** Milliamps to amps: ampsOfMilli(450) is 0.45. */
export const ampsOfMilli = (milliamps: number): number => milliamps / 1000;

/** Amps to milliamps: milliampsOfAmps(0.45) is 450. */
export const milliampsOfAmps = (amps: number): number => amps * 1000;
