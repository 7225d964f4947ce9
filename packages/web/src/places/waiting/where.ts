import { livingParts, placeKey, planRound, seasonOfRound } from '@yarnix/core';
import { queries } from '../../app/queries.ts';
import { queryClient } from '../../app/query-client.ts';
import { readingIn, type Outgoing } from '../../field/outgoing.ts';
import { roundOf } from '../../field/rounds.ts';
import { roundBase } from '../../field/round-base.ts';

/** The address of the field that a reading was taken in, or of its round; null when this device has neither. */
export async function fieldOf(item: Outgoing): Promise<string | null> {
  const record = await roundOf(item.visitId);
  if (!record) return null;
  const base = roundBase(record);
  const reading = readingIn(item);
  const known = queries.system(record.systemId);
  const system =
    queryClient.getQueryData(known.queryKey) ?? (await queryClient.fetchQuery(known).catch(() => undefined));
  if (!reading || !system) return `${base}/close`;
  const { kind: systemKind, plate } = system;
  const plan = planRound({
    systemKind,
    plate,
    components: livingParts(system, record),
    season: seasonOfRound(record, system.zone),
  });
  const key = placeKey(reading);
  for (const stop of plan) {
    const at = stop.readings.findIndex(
      ({ component, kind, point, method }) =>
        placeKey({ componentId: component.id, kind: kind.id, point, method: method.id }) === key,
    );
    if (at >= 0) return `${base}/${stop.id}?at=${at + 1}`;
  }
  return `${base}/close`;
}
