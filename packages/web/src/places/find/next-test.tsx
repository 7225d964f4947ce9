import {
  answerName,
  chanceWords,
  meaningOf,
  testCautions,
  testCost,
  testState,
  testTitle,
  whyFirst,
  type Meant,
  type NewCall,
  type Offered,
  type RoundField,
  type RoundRecord,
  type RoundView,
  type SystemDetail,
  type Test,
} from '@yarnix/core';
import { TriangleAlert } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useWide } from '../../app/use-media.ts';
import { keepCall } from '../../field/rounds.ts';
import { Button } from '../../kit/button.tsx';
import { Keypad } from '../../kit/keypad.tsx';
import { Listen } from '../../visit/entry/listen.tsx';
import { OneInput } from '../../visit/entry/one-input.tsx';
import { isOpenEntry } from '../../visit/entry/status.ts';
import { useEntry, type Spot } from '../../visit/entry/use-entry.ts';
import { useNow } from '../../visit/use-now.ts';
import { VerdictWords } from '../../visit/entry/verdict-words.tsx';
import { Ladder } from './ladder.tsx';
import { typedAnswer } from './typed-answer.ts';

interface TestProps {
  readonly system: SystemDetail;
  readonly record: RoundRecord;
  readonly view: RoundView;
  readonly call: NewCall;
  readonly offers: readonly Offered[];
  /** Tests that were answered: what is asked of them is a second reading beside the first. */
  readonly answered: ReadonlySet<string>;
  /** Until when an off-timer may hold what a test calls for; null where it does not. */
  readonly timer: (test: Test) => string | null;
}

const Cautions = ({ offered: { test } }: { offered: Offered }) => {
  const cautions = testCautions(test);
  if (cautions.length === 0) return null;
  return (
    <Collapsible.Root>
      <Collapsible.Trigger className="flex min-h-11 items-center gap-2 font-semibold text-watch">
        <TriangleAlert aria-hidden size={19} />
        {cautions.map((c) => c.title).join(' · ')} <span className="text-sm underline">read</span>
      </Collapsible.Trigger>
      <Collapsible.Content>
        {cautions.map((c) => (
          <p key={c.id} className="pb-1">
            <strong>{c.title}.</strong> {c.text}
          </p>
        ))}
      </Collapsible.Content>
    </Collapsible.Root>
  );
};

/** That a compressor may not be let start yet: one that stands still before then says nothing, nor do its wires. */
function OffTimer({ until }: { until: string | null }) {
  const now = useNow(until);
  if (until === null || now >= Date.parse(until)) return null;
  const clock = new Date(until).toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' });
  return (
    <p role="status" className="mt-1 border-l-[3px] border-watch pl-3 font-semibold">
      Its off-timer may hold the compressor until {clock}: that it stands still, or has no call, is not judged before
      then.
    </p>
  );
}

/** What each answer would mean, before it is given; the one that is typed stands out. */
function Means({ offered, typed }: { offered: Offered; typed: string | null }) {
  const line = (meant: Meant) => (
    <li
      key={meant.answer.id}
      data-typed={meant.answer.id === typed || undefined}
      className="border-l-[3px] border-transparent py-1 pl-3 data-typed:border-copper data-typed:bg-wash"
    >
      <strong>{answerName(meant.answer, offered.test)}</strong>{' '}
      <span className="label">({chanceWords(meant.chance)})</span> {meaningOf(meant)}
    </li>
  );
  const means = [...offered.means].sort((a, b) => b.chance - a.chance);
  return (
    <ul aria-label="What each answer would mean" className="grid gap-0.5 text-[16px]">
      {means.slice(0, 5).map(line)}
    </ul>
  );
}

function Entry({
  props,
  offered,
  field,
  children,
}: {
  props: TestProps;
  offered: Offered;
  field: RoundField;
  children: ReactNode;
}) {
  const { record } = props;
  const [active, setActive] = useState<Spot>({ key: field.key, input: field.planned.method.inputs[0]?.id ?? '' });
  const entry = useEntry(record, [field], active, setActive, () => undefined);
  const { inputs } = field.planned.method;
  const name = testTitle(offered.test);
  const number = entry.spec?.type === 'number' ? entry.spec : null;
  const needsButton = inputs.length > 1 || inputs.some((spec) => spec.type === 'several');
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      {inputs.map((spec) => (
        <div key={spec.id}>
          {inputs.length > 1 && <p className="label text-[16px]">{spec.label}</p>}
          <OneInput
            big={inputs.length <= 2 || spec.type !== 'number'}
            spec={spec}
            // What is usual on a round is not taken for granted on a call.
            field={{ ...field, usual: null }}
            // Leaving a field takes nothing: the next test would come before its answer was meant.
            entry={{ ...entry, leave: () => undefined }}
            name={name}
            describedBy="test-verdict"
            autoFocus={spec.id === inputs[0]?.id && spec.type === 'number'}
            onFocus={() => setActive({ key: field.key, input: spec.id })}
            onNumberFocus={() => setActive({ key: field.key, input: spec.id })}
          />
        </div>
      ))}
      {field.planned.kind.type === 'number' || field.told.refusal || field.told.questions.length > 0 ? (
        <VerdictWords
          field={field}
          id="test-verdict"
          whole
          onKeep={() => entry.keep(field)}
          onPerhaps={({ input, value }) => entry.onText(field, input, String(value))}
        />
      ) : (
        <span id="test-verdict" />
      )}
      {needsButton && !number && (
        <Button look="main" className="min-h-14 text-[18px]" disabled={field.typed !== 'ready'} onClick={entry.next}>
          Take it
        </Button>
      )}
      {number?.probe && isOpenEntry(field) && <Listen record={record} view={props.view} field={field} />}
      {children}
      {number && (
        <div className="sticky bottom-0 -mx-4 bg-ground md:static md:mx-0 md:bg-transparent">
          <Keypad
            onKey={entry.onKey}
            overLimit={number.overLimit}
            jumps={number.jumps ?? false}
            signed={number.signed ?? false}
            nextLabel="Take it"
          />
        </div>
      )}
    </div>
  );
}

/** Every other test that tells something, in the order of what it tells for its trouble. */
const Others = ({ offers, onPick }: { offers: readonly Offered[]; onPick: (id: string) => void }) => (
  <ol aria-label="Other tests" className="border-t border-rule">
    {offers.map(({ test, minutes }) => (
      <li key={test.id} className="border-b border-rule">
        <button
          type="button"
          className="grid min-h-12 w-full py-1.5 text-left hover:bg-raised"
          onClick={() => onPick(test.id)}
        >
          <span className="font-semibold">{testTitle(test)}</span>
          <span className="label">
            {testCost({ test, minutes })} · {testState(test)}
          </span>
        </button>
      </li>
    ))}
  </ol>
);

/** The one next test, large: what to measure, where the leads go, what each answer would mean. */
export function NextTest(props: TestProps) {
  const { system, record, view, call, offers, answered, timer } = props;
  const [picked, setPicked] = useState<string | null>(null);
  const [listing, setListing] = useState(false);
  // What was just put off is not asked for again before something else was answered.
  const [passed, setPassed] = useState<readonly string[]>([]);
  const wide = useWide();
  const first = offers.find(({ test }) => !passed.includes(test.id)) ?? offers[0];
  const offered = offers.find(({ test }) => test.id === picked) ?? first;
  if (!offered) return null;
  const { test } = offered;
  const isAgain = answered.has(test.id);
  const field = view.fieldAt(test.reading, isAgain);
  const putOff = (as: 'skipped' | 'idle') => {
    setPicked(null);
    setPassed([...passed, test.id]);
    void keepCall(record.visitId, { ...call, [as]: [...call[as], test.id] });
  };
  const tools = (
    <div className="flex flex-wrap gap-1.5">
      <Button onClick={() => setListing(!listing)} aria-expanded={listing}>
        Another test
      </Button>
      <Button onClick={() => putOff('skipped')}>Cannot take it</Button>
      {offered.means.some(({ answer }) => answer.id === 'idle') && (
        <Button onClick={() => putOff('idle')}>Nothing runs to read it of</Button>
      )}
    </div>
  );
  return (
    <section
      aria-label="Next test"
      data-test={test.id}
      data-again={isAgain || undefined}
      className="grid grid-cols-[minmax(0,1fr)] content-start gap-3"
    >
      <div>
        <p className="label text-[16px]">
          {isAgain
            ? 'Once more, beside the first reading: '
            : picked === null || offered === first
              ? 'Tells most for its trouble: '
              : 'Your choice: '}
          {testCost(offered)}
        </p>
        <h2 className="text-[26px] leading-tight font-bold">{testTitle(test)}</h2>
        <p className="text-[17px] font-semibold">{testState(test)}</p>
        <OffTimer until={timer(test)} />
      </div>
      <Cautions offered={offered} />
      {wide && <Ladder system={system} test={test} />}
      {field ? (
        <Entry key={field.key} props={props} offered={offered} field={field}>
          <Means offered={offered} typed={typedAnswer(field, offered)} />
          {tools}
          {/* What is typed must be seen above the keypad: the drawing stands below it on a phone. */}
          {!wide && <Ladder system={system} test={test} />}
        </Entry>
      ) : (
        <div className="grid gap-3">
          <p className="font-semibold text-act">This machine has no place for it; take another test.</p>
          {tools}
        </div>
      )}
      <p className="label">{offered === first ? whyFirst([first, ...offers.filter((o) => o !== first)]) : ''}</p>
      {listing && (
        <Others
          offers={offers.filter((o) => o !== offered)}
          onPick={(id) => {
            setPicked(id);
            setListing(false);
          }}
        />
      )}
    </section>
  );
}
