import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { queries } from '../../app/queries.ts';
import { choosePracticeFaults, practiceFaults } from '../../field/probes.ts';

/** Which faults the simulated probe kit shows on this device: for practice, and for showing what a fault looks like. */
export function PracticeFaults() {
  const { data } = useQuery(queries.probeFaults());
  const [chosen, setChosen] = useState(practiceFaults);
  if (!data) return null;
  const toggle = (id: string) => {
    const next = chosen.includes(id) ? chosen.filter((f) => f !== id) : [...chosen, id];
    choosePracticeFaults(next);
    setChosen(next);
  };
  return (
    <details className="mt-6 border-t border-rule pt-2">
      <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
        Simulated probes
        {chosen.length > 0 ? `, ${chosen.length} ${chosen.length === 1 ? 'fault' : 'faults'} put in` : ''}
      </summary>
      <p className="text-soft">Without instruments, probes show a model of this house. Faults to put into it:</p>
      {data.faults.map((fault) => (
        <label key={fault.id} className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="size-6"
            checked={chosen.includes(fault.id)}
            onChange={() => toggle(fault.id)}
          />
          {fault.label}
        </label>
      ))}
    </details>
  );
}
