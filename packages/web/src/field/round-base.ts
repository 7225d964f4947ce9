/** The address of a round, which its stops and its close stand under. */
export const roundBase = (round: { readonly systemId: string; readonly visitId: string }): string =>
  `/systems/${round.systemId}/rounds/${round.visitId}`;
