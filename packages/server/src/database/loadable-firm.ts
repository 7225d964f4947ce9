import type { Component, Day, InstrumentKind, NewMeterCheck, NewReading, Plate, SystemKind } from '@yarnix/core';

/** A firm's history in the form it is loaded from, whoever made it. */
export interface LoadableFirm {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  /** The day it is judged as of; of each system's newest visit when left out. */
  readonly asOf?: Day;
  readonly people: readonly { readonly id: string; readonly name: string; readonly initials: string }[];
  /** Instruments of its people, by their place; readings say which of them they came from. */
  readonly meters?: readonly {
    readonly id: string;
    readonly person: number;
    readonly kind: InstrumentKind;
    readonly name: string;
    readonly since: Day;
  }[];
  readonly checks?: readonly (NewMeterCheck & {
    readonly id: string;
    readonly meterId: string;
    readonly person: number;
  })[];
  readonly systems: () => Iterable<LoadableSystem>;
}

export interface LoadableSystem {
  readonly id: string;
  readonly customerId: string;
  readonly customerName: string;
  readonly address: string;
  readonly area: string;
  readonly place?: { readonly lat: number; readonly lng: number };
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly installedOn: Day;
  readonly parts: readonly (Component & {
    id: string;
    removedOn: Day | null;
    removedReason: string | null;
    replaces: string | null;
  })[];
  readonly visits: readonly { id: string; startedAt: string; closedAt: string; person: number }[];
  readonly readings: readonly (NewReading & { id: string; value: number | null; findings: readonly string[] })[];
}

/** A reading of such a firm as judging sees it. */
export const readingAsKept = (reading: LoadableSystem['readings'][number]) => ({
  ...reading,
  supersedes: reading.supersedes ?? null,
  instrument: reading.instruments ?? null,
});
