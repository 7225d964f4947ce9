import { STANDING_NAMES, type NewRuling, type Standing } from '@yarnix/core';
import { useState } from 'react';
import { Button } from './button.tsx';
import { Field } from './field.tsx';
import { Mark } from './mark.tsx';

const OFFERED = ['sound', 'watch', 'act', 'stop'] as const satisfies readonly NewRuling['standing'][];
/** Looked for and not found: the commonest ground, one tap. */
const NOTHING_FOUND = 'nothing found, part left in';

/** A verdict of one's own, with a reason, in place of a reading's: both are kept. */
export function OverruleForm({
  was,
  onRule,
  onLeave,
}: {
  was: Standing;
  onRule: (ruling: NewRuling) => void;
  onLeave: () => void;
}) {
  const [standing, setStanding] = useState<NewRuling['standing'] | null>(null);
  const [why, setWhy] = useState('');
  const ready = standing !== null && why.trim() !== '';
  return (
    <form
      aria-label="Overrule the verdict"
      className="grid gap-2 border-l-[3px] border-copper py-1 pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) onRule({ standing, why: why.trim(), withdrawn: false });
      }}
    >
      <p className="font-bold">It says {STANDING_NAMES[was].toLowerCase()}. You say</p>
      <div className="flex flex-wrap gap-1.5">
        {OFFERED.filter((s) => s !== was).map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={standing === s}
            onClick={() => setStanding(s)}
            className="flex min-h-12 items-center gap-2 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold aria-pressed:border-copper aria-pressed:bg-wash"
          >
            <Mark standing={s} width={22} /> {STANDING_NAMES[s]}
          </button>
        ))}
        <Button
          onClick={() => {
            setStanding('sound');
            setWhy(NOTHING_FOUND);
          }}
        >
          Nothing found, part left in
        </Button>
      </div>
      <Field label="Because" value={why} maxLength={300} onChange={(e) => setWhy(e.target.value)} />
      <p className="text-sm text-soft">Both are kept. The part stands so until its next reading.</p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" type="submit" disabled={!ready}>
          Overrule
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
