import { whatRuns } from '../controls/call-check.ts';
import { huntKind, hunted } from './circuit-kind.ts';

/** What runs while a defrost is forced, two minutes in. */
export const forcedDefrost = huntKind('forced-defrost', 'Forced', [
  hunted('seen', 'heat called, coil frosted, test pins shorted', [whatRuns], ['defrost-forced']),
]);
