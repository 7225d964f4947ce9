import {
  accountOf,
  answeredWords,
  complaintWords,
  knotsOf,
  leaningWords,
  shortWords,
  standingAdvice,
  standingWords,
  SYSTEM_KIND_NAMES,
  testTitle,
  unjudgedWords,
  type HuntReport,
  type NewCall,
} from '@yarnix/core';
import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { useWide } from '../../app/use-media.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { OutboxStatus } from '../../field/outbox-status.tsx';
import { change, keepCall } from '../../field/rounds.ts';
import { Button, ButtonLink } from '../../kit/button.tsx';
import { roundBase } from '../../field/round-base.ts';
import { LooseEndsBar } from '../../visit/loose-ends-bar.tsx';
import { useRoundView, type RoundScreenData } from '../../visit/use-round-view.ts';
import { ComplaintForm } from './complaint-form.tsx';
import { Ending } from './ending.tsx';
import { NextTest } from './next-test.tsx';
import { Rope, RopeStrip, StrandList } from './rope.tsx';
import { useEndsOfTests } from './use-ends-of-tests.ts';
import { useHunt, type HuntState } from './use-hunt.ts';

type Here = Extract<RoundScreenData, { status: 'here' }>;

/** The answers so far: each can be doubted, or taken anew by choosing its test again. */
function Answers({ state, record, call }: { state: HuntState; call: NewCall } & Pick<Here, 'record'>) {
  if (state.answers.length === 0) return null;
  const against = new Set(state.report?.contradictions ?? []);
  return (
    <details className="border-t border-rule pt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {state.answers.length} {state.answers.length === 1 ? 'answer' : 'answers'}
        {against.size > 0 ? `, ${against.size} against the likeliest cause` : ''}
      </summary>
      <ul className="grid gap-1">
        {state.answers.map((answered, i) => {
          const test = state.tests.get(answered.test);
          const { readingId } = answered;
          const doubted = readingId !== null && call.doubted.includes(readingId);
          const toggle = () => {
            if (readingId === null) return;
            const rest = call.doubted.filter((id) => id !== readingId);
            void keepCall(record.visitId, { ...call, doubted: doubted ? rest : [...rest, readingId] });
          };
          return (
            <li key={readingId ?? answered.test} className="flex flex-wrap items-center justify-between gap-x-4">
              <span>
                {test ? testTitle(test) : answered.test}: <strong>{test ? answeredWords(answered, test) : ''}</strong>
                {against.has(i) && <span className="font-semibold text-act"> speaks against the likeliest cause</span>}
              </span>
              {readingId !== null && (
                <Button look="quiet" aria-pressed={doubted} onClick={toggle}>
                  {doubted ? 'Doubted: counts less' : 'I doubt it'}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}

/** Answers that were given in a state that tells nothing: kept, said, and not weighed. */
function NotJudgedYet({ state }: { state: HuntState }) {
  if (state.unjudged.length === 0) return null;
  return (
    <ul aria-label="Not judged" className="grid gap-1 border-l-[3px] border-watch pl-3">
      {state.unjudged.map((answered) => {
        const test = state.tests.get(answered.test);
        return (
          <li key={answered.readingId}>
            <strong>Not judged.</strong> {test ? `${testTitle(test)} ${answeredWords(answered, test)}: ` : ''}
            {unjudgedWords(answered.why)}.
          </li>
        );
      })}
    </ul>
  );
}

/** What follows when a hunt is over: repair, prove, go on, or close. */
function Over({
  here,
  call,
  state,
  report,
  next,
  onEnd,
}: {
  here: Here;
  call: NewCall;
  state: HuntState;
  report: HuntReport;
  /** What else could be tested, where nothing is proved. */
  next: ReactNode;
  onEnd: () => void;
}) {
  const { standing } = report;
  const short = shortWords(state, here.system.plate);
  const repaired = () => {
    if (standing.is !== 'proved') return;
    const at = new Date().toISOString();
    void keepCall(here.record.visitId, {
      ...call,
      repaired: [...call.repaired, ...standing.faults.map((fault) => ({ fault, at }))],
      skipped: [],
      idle: [],
    });
  };
  return (
    <section aria-label="How the hunt stands" className="grid content-start gap-3">
      <p className="text-[17px]">{standingAdvice(report, call)}</p>
      {standing.is === 'proved' && short && <p className="font-semibold">{short}</p>}
      <div className="flex flex-wrap gap-2">
        {standing.is === 'proved' && (
          <Button look="main" className="min-h-14" onClick={repaired}>
            Repaired: prove it, and look on
          </Button>
        )}
        <Button look={standing.is === 'proved' ? 'plain' : 'main'} className="min-h-14" onClick={onEnd}>
          To the end of the call
        </Button>
      </div>
      {standing.is !== 'proved' && next}
    </section>
  );
}

function Head({ here: { system, record }, call, words }: { here: Here; call: NewCall; words: string }) {
  return (
    <header className="flex items-start justify-between gap-3">
      <div className="min-w-0">
        <p className="label">
          {system.address} · {SYSTEM_KIND_NAMES[system.kind]} · {complaintWords(call)}
        </p>
        <h1 className="text-[28px] leading-tight font-bold" aria-live="polite">
          {words}
        </h1>
      </div>
      <div className="flex items-center">
        <span className="md:hidden">
          <OutboxStatus />
        </span>
        <Link
          to={`/systems/${record.systemId}`}
          aria-label="Leave the call for now"
          className="grid size-12 place-items-center"
        >
          <X size={22} />
        </Link>
      </div>
    </header>
  );
}

/** The worker that weighs the causes has failed: nothing is lost, and it can be asked again. */
const NotWorkedOut = ({ failed }: { failed: NonNullable<HuntState['failed']> }) => (
  <div role="alert" className="my-4 grid justify-items-start gap-2 border-l-[3px] border-act pl-3">
    <p>Something went wrong in working it out. Every answer is kept.</p>
    <Button look="main" onClick={failed.retry}>
      Try again
    </Button>
  </div>
);

/** What stands below the hunt: what hangs loose, the answers so far, and other ways on. */
const Foot = ({
  here: { record },
  call,
  state,
  onEdit,
  ending,
  onEnding,
}: {
  here: Here;
  call: NewCall;
  state: HuntState;
  onEdit: () => void;
  ending: boolean;
  onEnding: () => void;
}) => (
  <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
    <LooseEndsBar record={record} />
    <Answers state={state} record={record} call={call} />
    {state.byThreads.length > 0 && <p className="label">{leaningWords(state.byThreads)}</p>}
    <div className="flex flex-wrap gap-2">
      <Button onClick={onEdit}>Change the complaint</Button>
      <ButtonLink to={`${roundBase(record)}/arrive`}>As a round</ButtonLink>
      <Button onClick={onEnding}>{ending ? 'Back to the hunt' : 'End the call'}</Button>
    </div>
  </div>
);

function Hunting({ here, call, onEdit }: { here: Here; call: NewCall; onEdit: () => void }) {
  const { system, record, view } = here;
  const state = useHunt({ system, record, view, call });
  useEndsOfTests(record, state);
  const wide = useWide();
  const [ending, setEnding] = useState(false);
  const { report, failed } = state;
  if (!report && failed)
    return (
      <div className="px-4 py-5 md:px-5">
        <Head here={here} call={call} words="The next test cannot be worked out" />
        <NotWorkedOut failed={failed} />
        <ButtonLink to={`${roundBase(record)}/arrive`}>As a round</ButtonLink>
      </div>
    );
  if (!report)
    return (
      <div className="px-4 py-5 md:px-5">
        <Head here={here} call={call} words="Working out what each cause would show" />
        <Loading what="the suspects of this machine" />
      </div>
    );
  // What was just answered is not asked again while the next report is on its way.
  const done = new Set(state.answers.map(({ test: id }) => id));
  const offers = state.busy ? report.offers.filter(({ test: { id } }) => !done.has(id)) : report.offers;
  const rope = { suspects: report.suspects, knots: knotsOf(call, state) };
  const next = offers.length > 0 && (
    <NextTest
      key={report.suspects[0]?.course.length}
      system={system}
      record={record}
      view={view}
      call={call}
      offers={offers}
      answered={done}
      timer={state.timer}
    />
  );
  const test = ending ? (
    <Ending record={record} call={call} standing={report.standing} account={accountOf(call, state, report)} />
  ) : report.standing.is === 'open' ? (
    next
  ) : (
    <Over here={here} call={call} state={state} report={report} next={next} onEnd={() => setEnding(true)} />
  );
  const foot = (
    <Foot here={here} call={call} state={state} onEdit={onEdit} ending={ending} onEnding={() => setEnding(!ending)} />
  );
  const words = standingWords(report, call);
  const notes = (
    <>
      {failed && <NotWorkedOut failed={failed} />}
      <NotJudgedYet state={state} />
    </>
  );
  if (wide)
    return (
      <div className="grid flex-1 grid-cols-[minmax(0,1fr)_400px]" aria-busy={state.busy}>
        <div className="grid min-w-0 content-start gap-4 px-5 py-5">
          <Head here={here} call={call} words={words} />
          {notes}
          <Rope {...rope} />
          {foot}
        </div>
        <aside className="border-l border-rule-strong bg-raised px-5 py-5">{test}</aside>
      </div>
    );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-4 px-4 py-3" aria-busy={state.busy}>
      <Head here={here} call={call} words={words} />
      <RopeStrip suspects={report.suspects} />
      {notes}
      {test}
      <StrandList {...rope} />
      {foot}
    </div>
  );
}

/** A call: its complaint first, then the hunt for its cause. A round that turned into a call comes here with all its readings. */
export function CallScreen() {
  const { systemId = '', visitId = '' } = useParams();
  const data = useRoundView(systemId, visitId);
  const [editing, setEditing] = useState(false);
  if (data.status === 'loading') return <Loading what="the call" />;
  if (data.status === 'failed') return <Failed error={data.error} what="This call" retry={data.retry} />;
  const { call } = data.record;
  if (!call || editing)
    return (
      <ComplaintForm
        system={data.system}
        before={call}
        outdoorBefore={data.record.outdoorText}
        onBegin={(next, outdoorText) => {
          void change(visitId, (record) => ({ ...record, outdoorText }));
          void keepCall(visitId, next);
          setEditing(false);
        }}
      />
    );
  return <Hunting here={data} call={call} onEdit={() => setEditing(true)} />;
}
