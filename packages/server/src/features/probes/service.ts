import {
  isOwn,
  methodOf,
  readingKind,
  type Component,
  type Day,
  type Plate,
  type ProbeQuery,
  type ReadingKindId,
  type SystemKind,
  type Unit,
} from '@yarnix/core';
import { FAULTS, faultsLeft, houseOf, probeStream, seedOf, type Fault } from '@yarnix/simulator';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';

interface Needs {
  readonly planning: { dayOf(context: RequestContext, moment: Date): Promise<Day> };
  readonly systems: {
    facts(
      context: RequestContext,
      id: string,
    ): Promise<{ readonly kind: SystemKind; readonly plate: Plate; readonly installedOn: Day | null }>;
  };
  readonly parts: { living(context: RequestContext, systemId: string): Promise<(Component & { id: string })[]> };
}

const isFault = (text: string): text is Fault => isOwn(FAULTS, text);

function placeOf(asked: ProbeQuery): { kind: ReadingKindId; unit: Unit } {
  const kind = readingKind(asked.kind);
  const input = kind && methodOf(kind, asked.method)?.inputs.find((i) => i.id === asked.input);
  if (!kind || input?.type !== 'number' || input.probe === undefined) {
    const detail = 'No probe serves this field; type the value.';
    throw new ProblemError('no-probe-here', detail, [{ path: 'query.input', detail }]);
  }
  return { kind: kind.id, unit: input.unit };
}

/** The simulated probe kit: what a probe held at a place of a system would show, from the house's hidden truth. */
export function probesService({ now, needs, probeSpeed }: On<Needs>) {
  return {
    /** Seconds of house time that pass in one. */
    speed: probeSpeed,
    faults: () => Object.entries(FAULTS).map(([id, label]) => ({ id, label })),
    async stream(context: RequestContext, asked: ProbeQuery): Promise<Generator<{ at: number; value: number }>> {
      const { kind, unit } = placeOf(asked);
      const system = await needs.systems.facts(context, asked.systemId);
      const parts = await needs.parts.living(context, asked.systemId);
      const component = parts.find((p) => p.id === asked.componentId);
      if (!component) throw notFound('part');
      const today = await needs.planning.dayOf(context, now());
      const installedOn = system.installedOn ?? component.fittedOn ?? today;
      const faults = (asked.faults ?? '').split(',').filter(isFault);
      const scene = {
        house: houseOf(asked.systemId, system.kind, system.plate),
        parts,
        installedOn,
        day: today,
        season: asked.season,
        outdoorF: asked.outdoorF ?? (asked.season === 'spring' ? 82 : 45),
        // What was fitted today is what ended its fault.
        faults: faultsLeft(faults, parts, { installedOn: system.installedOn, day: today }),
      };
      const held = { kind, point: asked.point, input: asked.input, method: asked.method, component };
      return probeStream(
        scene,
        held,
        unit,
        asked.runningSeconds,
        seedOf(`${asked.componentId}${asked.kind}${asked.point}${asked.input}${today}`),
      );
    },
  };
}
