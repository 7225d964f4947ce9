import {
  isReplaceable,
  lugsOf,
  MOST_WIRES_OF_PART,
  SLOT_NAMES,
  WIRE_COLORS,
  wiresOn,
  type RoundField,
  type RoundRecord,
  type RoundStop,
  type WireBack,
} from '@yarnix/core';
import { Cable } from 'lucide-react';
import { useState } from 'react';
import { useWide } from '../../../app/use-media.ts';
import { noteWires } from '../../../field/rounds.ts';
import { Button } from '../../../kit/button.tsx';
import { SelectField } from '../../../kit/field.tsx';

/** A line for each wire that was noted; where none was, one for each lug. */
const linesOf = (noted: readonly WireBack[], lugs: readonly string[]): WireBack[] =>
  noted.length > 0 ? noted.map(({ lug, color }) => ({ lug, color })) : lugs.map((lug) => ({ lug, color: '' }));

/** Whether its wires can be noted at a stop: a part that can be changed, with the power off. */
export const canNoteWires = (field: RoundField, stop: RoundStop): boolean =>
  stop.mode === 'off' && isReplaceable(field.planned.component);

/** Which wire is on which lug of a part, as it is noted. */
export function WiresForm({ field, record, onDone }: { field: RoundField; record: RoundRecord; onDone: () => void }) {
  const { component } = field.planned;
  const name = SLOT_NAMES[component.slot];
  const noted = wiresOn(field.about.plate.wires, name);
  const [lines, setLines] = useState(() => linesOf(noted, lugsOf(component)));
  const set = (at: number, line: Partial<WireBack>) =>
    setLines((now) => now.map((was, i) => (i === at ? { ...was, ...line } : was)));
  const lugs = [...new Set([...lugsOf(component), ...noted.map(({ lug }) => lug)])];
  const colors = [...new Set<string>([...WIRE_COLORS, ...noted.map(({ color }) => color)])].filter(Boolean);
  return (
    <form
      aria-label={`Wires of the ${name.toLowerCase()}`}
      className="grid gap-2 border-l-[3px] border-copper bg-raised p-3"
      onSubmit={(event) => {
        event.preventDefault();
        const all = lines.filter(({ color }) => color !== '');
        void noteWires(record.visitId, record.systemId, name, all);
        onDone();
      }}
    >
      <p className="label">Before they come off: which wire is on which lug.</p>
      {lines.map(({ lug, color }, at) => (
        <div key={at} className="grid grid-cols-2 gap-2">
          <SelectField
            label={`Wire ${at + 1}, lug`}
            value={lug}
            options={lugs.map((l) => [l, l])}
            onChange={(e) => set(at, { lug: e.target.value })}
          />
          <SelectField
            label={`Wire ${at + 1}, color`}
            value={color}
            options={[['', 'none there'], ...colors.map((c) => [c, c] as const)]}
            onChange={(e) => set(at, { color: e.target.value })}
          />
        </div>
      ))}
      <div className="flex flex-wrap gap-2">
        <Button look="main" type="submit">
          Note them
        </Button>
        <Button
          disabled={lines.length >= MOST_WIRES_OF_PART}
          onClick={() => setLines((now) => [...now, { lug: lugs[0] ?? '1', color: '' }])}
        >
          Another wire
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </form>
  );
}

/**
 * Which wire is on which lug, as noted, and noting it, where one reading has the whole screen. Among others it would move the row
 * that is about to be pressed: there it is one of the row's actions.
 */
export function WiresLine({
  record,
  field,
  stop,
  active,
}: {
  record: RoundRecord;
  field: RoundField;
  stop: RoundStop;
  active: boolean;
}) {
  const [open, setOpen] = useState(false);
  const wide = useWide();
  const { component } = field.planned;
  // While something is typed its verdict and its thread have the screen.
  const isTyping = record.drafts[field.key] !== undefined;
  if (wide || !active || !canNoteWires(field, stop) || (isTyping && !open)) return null;
  if (open) return <WiresForm field={field} record={record} onDone={() => setOpen(false)} />;
  const noted = wiresOn(field.about.plate.wires, SLOT_NAMES[component.slot]);
  return (
    <div className="flex flex-wrap items-center gap-x-4">
      {noted.length > 0 && (
        <p className="text-[15px]">{noted.map(({ color, lug }) => `${color} on ${lug}`).join(', ')}</p>
      )}
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        <Cable aria-hidden size={18} /> {noted.length > 0 ? 'Change the wires' : 'Note its wires'}
      </Button>
    </div>
  );
}
