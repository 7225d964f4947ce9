import { seasonOf, type Season, type SystemDetail } from '@yarnix/core';
import { Play } from 'lucide-react';
import { useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { startRound } from '../../field/rounds.ts';
import { useVisits } from '../../field/use-visits.ts';
import { Button, ButtonLink } from '../../kit/button.tsx';
import { today as dayNow } from '../../kit/local-day.ts';

const ROUND_NAMES: Readonly<Record<Season, string>> = { spring: 'cooling', fall: 'heating' };

/** Starts a round for the season, or the other one; or goes on with the one under way. */
export function RoundButton({ system }: { system: SystemDetail }) {
  const navigate = useNavigate();
  const open = useVisits(system).find((v) => v.closedAt === null);
  if (open) {
    return (
      <div className="flex flex-wrap items-center gap-2">
        <ButtonLink
          look="main"
          to={open.call ? `calls/${open.id}` : `rounds/${open.id}/arrive`}
          className="min-h-14 px-7 text-[18px]"
        >
          <Play aria-hidden size={20} /> Go on with the {open.call ? 'call' : 'round'}
        </ButtonLink>
        {!open.call && <ButtonLink to={`calls/${open.id}`}>Find a cause</ButtonLink>}
      </div>
    );
  }
  const season = seasonOf(dayNow());
  const other = season === 'spring' ? 'fall' : 'spring';
  const start = async (chosen: Season) => {
    const visitId = v7();
    await startRound(visitId, { systemId: system.id, startedAt: new Date().toISOString(), season: chosen });
    await navigate(`/systems/${system.id}/rounds/${visitId}/arrive`);
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button look="main" onClick={() => void start(season)} className="min-h-14 px-7 text-[18px]">
        <Play aria-hidden size={20} /> Start a {ROUND_NAMES[season]} round
      </Button>
      <Button onClick={() => void start(other)}>Or a {ROUND_NAMES[other]} round</Button>
      <ButtonLink to="find">A call: find the cause</ButtonLink>
    </div>
  );
}
