import { customerSummary, isDone, openLine, partsTested, provedOn, type RoundView } from '@yarnix/core';
import { useParams } from 'react-router';
import { Failed, Loading } from '../../../app/states.tsx';
import { ButtonLink } from '../../../kit/button.tsx';
import { StandingWord } from '../../../kit/mark.tsx';
import { roundBase } from '../../../field/round-base.ts';
import { useRoundView, type RoundScreenData } from '../../../visit/use-round-view.ts';

/** What was put off, as the customer is told of it. */
const openWords = (view: RoundView): string[] =>
  view.stops
    .flatMap((stop) => stop.fields)
    .filter((f) => f.state === 'put-off' && isDone(f) && f.followUp)
    .flatMap(({ planned, followUp }) => (followUp ? [openLine(planned, followUp.followUp)] : []));

function Summary({ system, record, view }: Extract<RoundScreenData, { status: 'here' }>) {
  const summary = customerSummary(partsTested(record.visitId, view), openWords(view));
  const proofs = provedOn(system, record.visitId, view);
  return (
    <div className="mx-auto grid w-full max-w-[760px] content-start gap-6 px-5 py-6">
      <div>
        <p className="label">{system.address}</p>
        <h1 className="text-[30px] leading-tight font-bold">{summary.headline}</h1>
      </div>
      {summary.parts.length > 0 && (
        <ul className="border-t border-rule-strong">
          {summary.parts.map((part) => (
            <li key={part.name} className="border-b border-rule py-4">
              <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                <h2 className="text-[22px] font-bold">{part.name}</h2>
                <StandingWord standing={part.standing} width={30} />
              </div>
              <p className="text-[18px]">{part.says}</p>
              <p className="label mt-1">{part.number}</p>
            </li>
          ))}
        </ul>
      )}
      {proofs.length > 0 && (
        <section>
          <h2 className="text-xl font-bold">Before and after</h2>
          <ul className="text-[18px]">
            {proofs.map(({ title, says, readings }, i) => (
              <li key={`${i} ${title}`} className="border-b border-rule py-2">
                <strong>{title}</strong>: {says}
                {readings.map((reading) => (
                  <p key={reading.title} className="label">
                    {reading.title}: {reading.before} before
                    {reading.after === null ? '' : `, ${reading.after} after`}
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </section>
      )}
      {summary.sound.length > 0 && (
        <section>
          <h2 className="text-xl font-bold">Sound</h2>
          <p className="text-[18px]">{summary.sound.join(', ')}.</p>
        </section>
      )}
      {summary.open.length > 0 && (
        <section>
          <h2 className="text-xl font-bold">Still to do</h2>
          <ul className="text-[17px]">
            {summary.open.map((line) => (
              <li key={line} className="py-0.5">
                {line}
              </li>
            ))}
          </ul>
        </section>
      )}
      {system.visits.some((v) => v.id === record.visitId && v.closedAt !== null) && (
        <ButtonLink
          look="main"
          to={`/systems/${system.id}/visits/${record.visitId}/report`}
          className="min-h-14 justify-self-start"
        >
          Report for the owner
        </ButtonLink>
      )}
      <ButtonLink to={`${roundBase(record)}/close`} className="justify-self-start">
        Back to the close
      </ButtonLink>
    </div>
  );
}

/** What the customer is shown on the spot, in plain words: no arithmetic, every claim with its number. */
export function SummaryScreen() {
  const { systemId = '', visitId = '' } = useParams();
  const data = useRoundView(systemId, visitId);
  if (data.status === 'loading') return <Loading what="the summary" />;
  if (data.status === 'failed') return <Failed error={data.error} what="This round" retry={data.retry} />;
  return <Summary {...data} />;
}
