import { dayOf, type KeptReading } from '@yarnix/core';
import { demoFirm } from '@yarnix/simulator';
import { existsSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { readJson, standsOf, type FrozenFirm } from '../tests/frozen-firm/stands.ts';

/**
 * Freezes how the parts of a firm stand, for tests/frozen-firm.test.ts: run it when a rule was changed on purpose, and look
 * at the differences first. The firm itself is made once and stays, whatever becomes of the simulator.
 */
const fileOf = (name: string) => new URL(`../tests/frozen-firm/${name}.json.gz`, import.meta.url);
const write = (name: string, what: unknown) =>
  writeFileSync(fileOf(name), gzipSync(JSON.stringify(what), { level: 9 }));

function freeze(): FrozenFirm {
  const asOf = dayOf('2026-11-25');
  const short = new Map<string, string>();
  const shortOf = (id: string) => short.get(id) ?? short.set(id, `i${short.size.toString(36)}`).get(id) ?? id;
  const systems = [...demoFirm(asOf).systems()].map(({ kind, plate, parts, readings }) => {
    const living = parts.filter((p) => p.removedOn === null);
    const ids = new Set(living.map((p) => p.id));
    const kept = readings
      .filter((r) => ids.has(r.componentId))
      .map((r): KeptReading => ({
        id: shortOf(r.id),
        visitId: shortOf(r.visitId),
        componentId: shortOf(r.componentId),
        kind: r.kind,
        point: r.point,
        method: r.method,
        value: r.value,
        finding: r.finding,
        takenAt: r.takenAt,
        supersedes: r.supersedes ? shortOf(r.supersedes) : null,
        conditions: r.conditions,
        inputs: r.inputs,
      }));
    const components = living.map((p) => ({
      id: shortOf(p.id),
      slot: p.slot,
      kind: p.kind,
      plate: p.plate,
      fittedOn: p.fittedOn,
    }));
    return { system: { kind, plate, components }, readings: kept };
  });
  return { asOf, systems };
}

if (!existsSync(fileOf('firm'))) write('firm', freeze());
write('stands', standsOf(readJson('firm') as FrozenFirm));
