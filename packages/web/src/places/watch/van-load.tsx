import type { WatchPage } from '@yarnix/core';

/** Which capacitors to load for the parts listed, like ratings counted together. */
export const VanLoad = ({ load }: { load: WatchPage['load'] }) => (
  <section aria-labelledby="load">
    <h2 id="load" className="text-lg font-bold">
      Load the van
    </h2>
    <p className="label mb-3">Capacitors for the parts listed; same µF, same volts or higher.</p>
    {load.length === 0 && <p>Nothing to load.</p>}
    <ul>
      {load.map((line) => (
        <li key={line.part} className="grid grid-cols-[38px_1fr] items-baseline border-t border-rule py-2">
          <span className="figure-type text-[24px]">{line.count}</span>
          <div>
            <p className="font-bold">{line.part}</p>
            <p className="label text-[14px]">
              {line.addresses.join(', ')}
              {line.count > line.addresses.length ? ` and ${line.count - line.addresses.length} more` : ''}
            </p>
          </div>
        </li>
      ))}
    </ul>
  </section>
);
