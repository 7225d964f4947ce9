import { isRefusal, type ReplacementReason, type ReplacementVerdict } from '../trade/capacitor/judge-replacement.ts';

const short = (value: number): string => String(Number(value.toFixed(2)));
const lugs = { herm: 'HERM', fan: 'FAN', single: 'The capacitor', start: 'The start capacitor' } as const;

function sayReason(reason: ReplacementReason): string {
  switch (reason.code) {
    case 'same-microfarads':
      return `${lugs[reason.lug]}: same ${short(reason.microfarads)} µF.`;
    case 'microfarads-within-allowance':
    case 'microfarads-off': {
      const off = `${short(Math.abs(reason.offPercent))} % ${reason.offPercent < 0 ? 'less' : 'more'} than ${short(reason.original)}`;
      const rule =
        reason.code === 'microfarads-off'
          ? `more than the ${reason.allowedPercent} % allowed`
          : `within the ${reason.allowedPercent} % allowed`;
      return `${lugs[reason.lug]}: ${short(reason.candidate)} µF is ${off}, ${rule}.`;
    }
    case 'volts-equal-or-higher':
      return reason.original === reason.candidate
        ? `Same ${reason.original} V.`
        : `${reason.candidate} V stands in for ${reason.original} V.`;
    case 'volts-lower':
      return `${reason.candidate} V is lower than ${reason.original} V: never fit a lower volt rating.`;
    case 'volts-not-known':
      return reason.which === 'original'
        ? 'The old part’s volt rating is not known.'
        : 'Add the volt rating; it must not be lower than the old one’s.';
    case 'section-missing':
      return `It has no ${reason.lug === 'single' ? 'single' : reason.lug.toUpperCase()} section.`;
    case 'extra-section':
      return `It has a ${reason.lug.toUpperCase()} section the old one has not.`;
    case 'start-capacitor-is-no-run-capacitor':
      return 'A start capacitor does not stand in for a run capacitor, nor the other way round.';
  }
}

/** Why a fuse is refused where the board says less. */
export const fuseRefused = (amps: number, boardAmps: number): string =>
  `A ${short(amps)} A fuse is never fitted where the board says ${short(boardAmps)} A: find what blew it.`;

/** A replacement's verdict in words: what refuses it, or what makes it fit. */
export function sayReplacement(verdict: ReplacementVerdict): string {
  const told = verdict.verdict === 'refused' ? verdict.reasons.filter(isRefusal) : verdict.reasons;
  return told.map(sayReason).join(' ');
}
