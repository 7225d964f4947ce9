import type { Component, Day, NewReading, Plate, SystemKind } from '@yarnix/core';

/** A firm's history in the form it is loaded from, whoever made it. */
export interface LoadableFirm {
  readonly id: string;
  readonly name: string;
  readonly zone: string;
  /** The day it is judged as of; of each system's newest visit when left out. */
  readonly asOf?: Day;
  readonly people: readonly { readonly id: string; readonly name: string; readonly initials: string }[];
  readonly systems: () => Iterable<LoadableSystem>;
}

export interface LoadableSystem {
  readonly id: string;
  readonly customerId: string;
  readonly customerName: string;
  readonly address: string;
  readonly area: string;
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
