import { POINT_NAMES, type Point } from '../equipment/component.ts';
import { own } from '../quantity/own.ts';
import { readBetween, type FindingCode } from '../verdict/findings.ts';
import { joined, lineOf, type Line, type Said } from './said.ts';

/** What is said of each finding: what it is, and what to do next. Some name the point they were found at. */
export const FINDING_WORDS: Readonly<Record<FindingCode, Said | ((point: string) => Said)>> = {
  // Looks
  nothing: 'Nothing found.',
  'burnt-wire': ['Burnt or chafed wire', ': find what heated or rubbed it.'],
  'scorched-lug': ['Scorched lug', ': a loose joint; cut back and remake it.'],
  'pitted-contacts': ['Pitted contacts', ': read the volts across them closed.'],
  'charred-disconnect': ['Charred disconnect', ': make safe before anything else.'],
  'oil-below-fan': ['Oil below the fan motor', ': a bearing is going.'],
  insects: ['Insects or debris among the wires', ': clear them out.'],
  growth: ['Mulch or growth at the base', ': air and drain are blocked.'],
  'dirty-coil': ['Dirty coil', ': clean it before the charge is judged.'],
  'ice-pattern': ['Frost or ice where none belongs', ': airflow, charge or defrost.'],
  'oil-stain': ['Oil on a joint or coil', ': look for a leak there.'],
  'frozen-coil': [
    'Indoor coil frozen',
    ': off, blower on, until it has thawed. Then filter, wheel, coil and airflow, and only then the charge.',
  ],
  'ice-in-base': ['Ice in the base', ': the drain holes, the pan heater, and defrosts that end too soon.'],
  'blade-stiff': ['The blade does not turn freely by hand', ': bearings, or it rubs. Not to be run so.'],
  'cable-damaged': ['Low-voltage cable damaged', ': find where it touches before a fuse is replaced.'],
  'fuse-right': ['The fuse the board asks for', '.'],
  'fuse-larger': [
    'Fuse larger than the board says',
    ': a short would burn the transformer or the board first. The amps on the board, never more.',
  ],
  'fuse-smaller': ['Fuse smaller than the board says', ': it may blow with nothing wrong.'],
  'fuse-bridged': ['No fuse', ': bridged. Leave it off until the right one is in; find why it was done.'],
  'fuse-blown': ['Low-voltage fuse blown', ': find the short first; the same amps, never more.'],
  'rust-under-pan': ['Rust under the drain pan', ': it has overflowed.'],
  'dirty-filter': ['Dirty filter', ': change it before air is judged.'],
  'dirty-wheel': ['Dirty blower wheel', ': it moves less air.'],
  'drain-blocked': ['Drain blocked', ': clear it, test the float switch.'],
  'gas-smell': ['Smell of gas', ': stop, make safe, leave.'],
  noted: 'Noted for the hunt.',
  // What the customer noticed
  routine: 'Routine visit, no complaint.',
  'too-warm': 'The customer says it does not cool enough.',
  'too-cold': 'The customer says it does not heat enough.',
  'never-stops': 'The customer says it never shuts off.',
  'does-not-start': 'The customer says it does not start.',
  'iced-up': 'The customer saw ice on the outdoor unit.',
  noise: 'The customer hears a new noise.',
  'high-bill': 'The customer’s bill has gone up.',
  // Charge check
  'check-counts': 'The charge check counts.',
  'air-not-right': ['Air or coils are not clean', ': no charge check until they are.'],
  'just-started': ['Not running long enough', ': give it 10 to 15 minutes.'],
  'too-cold-outside': 'Too cold outside for a charge check by these pressures.',
  raining: ['Rain on the coil', ': the pressures are not the machine’s own.'],
  'just-weighed-in': ['Charge has just been weighed in', ': leave it, check it next time.'],
  // Calls
  'as-the-call-wants': 'All that should run runs, and nothing else.',
  'blower-on-without-call': [
    'Blower runs with no call',
    ': welded relay contact, stuck sequencer, or a delay still holding; wait, then test the relay.',
  ],
  'compressor-on-fan-call': ['Compressor on a fan call', ': G and Y wires are touching.'],
  'compressor-on-without-call': ['Compressor runs with no call', ': welded contactor, or Y shorted to R.'],
  'strips-in-cooling': [
    'Strips heat while it cools',
    ': welded relay or sequencer, or back-feed through melted wires.',
  ],
  'strips-on-without-call': ['Strips are on with no call for heat', ': welded relay or sequencer.'],
  // Kept in older records.
  'blower-only-on-emergency-heat': 'Everything but the blower answers.',
  'blower-silent': ['Blower does not run with the strips', ': switch it off before a limit opens.'],
  'heat-without-air': ['Heat without air', ': switch it off now. Blower motor, its capacitor, its relay or the board.'],
  'fan-call-dead': [
    'Nothing on a fan call',
    ': control volts and the fuse first, then the blower’s motor, capacitor, relay.',
  ],
  'blower-dead': [
    'The blower does not run',
    ': switch off before the coil ices or heat runs without air. Its motor, its capacitor if it has one, its relay, the board.',
  ],
  'blower-dead-relay': [
    'The blower does not run',
    ': switch off before the coil ices. Make the emergency heat call: if that brings it, its relay’s coil or contacts; if not, its motor, its capacitor if it has one, the board.',
  ],
  'strips-on-first-stage': [
    'Strips beside the compressor on a first-stage call',
    ': a second stage, a defrost, or a contact that sticks. Make the call again alone.',
  ],
  'compressor-on-emergency-heat': [
    'The compressor runs on emergency heat',
    ': the thermostat’s setting or its wiring.',
  ],
  'outdoor-unit-silent': [
    'The outdoor unit does not answer',
    ': disconnect, Y at the unit, its switches, the contactor’s coil, in that order.',
  ],
  'compressor-silent': ['Compressor does not start', ': capacitor, contactor, switches, windings, in that order.'],
  'outdoor-fan-silent': [
    'Outdoor fan does not run with the compressor',
    ': its capacitor first, then the board’s relay, then its motor.',
  ],
  'outdoor-fan-silent-no-board': [
    'Outdoor fan does not run with the compressor',
    ': its capacitor first, then its motor.',
  ],
  'outdoor-fan-in-defrost': ['Outdoor fan runs in defrost', ': the board’s fan relay does not open.'],
  'nothing-runs': ['Nothing answers', ': control volts and the low-voltage fuse first.'],
  'strips-silent': ['Auxiliary heat does not come on', ': control volts, then relay or sequencer, then element.'],
  'burner-silent': ['Burner does not light', ': go to fault-finding, by the manufacturer’s sequence.'],
  'runs-besides-the-call': ['What runs is not what the call wants', '; make the call again alone.'],
  // Meter findings
  open: ['Open', ': no current passes.'],
  'contact-open': [
    'Line volts across it with the call on',
    ': the contact is open. Its coil volts first, then the contact.',
  ],
  'contact-open-at-rest': ['Line volts across it with no call', ': open, as it should be.'],
  'contact-welded': ['Current through it with no call', ': the contact is welded. Power off, and replace it.'],
  'contact-path-unproven': [
    'No volts across it prove nothing by themselves',
    ': the load behind may be open or the other leg dead. Clamp its amps.',
  ],
  'contact-closed-dead': ['Closed with no call and the power off', ': welded. Replace it.'],
  'contact-shut-at-rest': ['Closed at rest', ', as a normally closed contact should be.'],
  'contact-poor': ['Some ohms across a closed contact', ': pitted or dirty. Volts across it under load settle it.'],
  'contact-open-dead': ['Open at rest', ': a normally closed contact that does not close. Replace it.'],
  'switch-open-dead': [
    'Open with the power off',
    ': find out why before it is called bad. Pressure may hold it open; do not bypass it.',
  ],
  'not-grounded': 'OL to ground, as it should be.',
  'winding-open': [
    'Open',
    ': a winding, or its internal overload. If R to S reads and both to C are open, it is the overload: let it cool, and read again.',
  ],
  'closed-at-once': ['Closed with the call', ': it was closed before, or its delay is gone. Read it with no call.'],
  shorted: ['Shorted', ': no resistance to speak of.'],
  jumps: ['The reading jumps', ': the winding is failing even if one sample is fine.'],
  'holds-charge': ['Holds a charge', '; how much is not shown. Its µF on the bench are still owed.'],
  grounded: ['Leads to ground', ': do not run it.'],
  'never-closed': ['Never closed', ': it has failed, even if a tap makes it close.'],
  'never-opened': ['Never opened', ': welded, and its element heats on with no call. Power off, and replace it.'],
  'opened-at-once': ['Opened with the call', ': no delay is left, so that all of the heat goes off at once.'],
  // Defrost settings and test
  'setting-read': 'Read as it stands.',
  'setting-differs': [
    'Not as the plate record has it',
    ': somebody moved the jumper, or the record is wrong. Put one of them right.',
  ],
  'interval-differs': [
    'Not the interval the plate record has',
    ': somebody moved the jumper, the board is another one, or the record is wrong. Put one of them right.',
  ],
  'interval-long': [
    'Ice was seen, and it waits longer than 30 min between defrosts',
    ': the next shorter interval. That costs some heat in dry cold.',
  ],
  'interval-over-school': [
    'Longer between defrosts than this firm leaves it',
    ' in its climate: the next shorter interval. That costs some heat in dry cold.',
  ],
  'factory-setting': 'Left as the factory set it.',
  'terminates-low': [
    'Ends at 50 °F',
    ': bands of frost stay, turn to ice, and the coil ends as a block; a higher setting clears it.',
  ],
  'terminates-low-left': [
    'Ends at 50 °F, and this firm leaves it so',
    ': bands of frost may stay and turn to ice. Look for them in frost, and tell the customer.',
  ],
  'raise-to-60': 'Move it up to 60 °F.',
  'raise-to-70': 'Move it up to 70 °F.',
  'raise-to-80': 'Move it up to 80 °F.',
  'raise-to-90': 'Move it up to 90 °F.',
  'coil-fed': 'The coil is fed.',
  'coil-not-fed': ['The coil is not fed', ': follow the 24 V back through the switches before it.'],
  'coil-volts-low': [
    'Too few volts for the coil',
    ': a loose joint, a long thin wire, or too much on the transformer.',
  ],
  'coil-volts-not-control': [
    'Far more than 24 V',
    ': leads on the line side, or a line-volt coil. Look before you go on.',
  ],
  'coil-at-rest': 'Nothing at the coil with no call.',
  'coil-fed-without-call': ['The coil is fed with no call', ': thermostat, a wire touching another, or the board.'],
  'ghost-volts': [
    'Volts that may carry nothing',
    ': some meters show them on a dead wire beside a live one. Read it with a load on, or a low-resistance meter.',
  ],
  'line-side-live': 'The line side is live.',
  'line-side-dead': ['The line side is dead', '. Breaker, fuse, disconnect; with the power off that is right.'],
  'line-side-partial': ['Only part of the line volts', ': a leg is missing, or a joint does not carry.'],
  'load-fed': 'The load is fed.',
  'load-not-fed': ['Nothing across the load', ': read the line side and its coil. Both live: the contact is open.'],
  'load-partial': ['Only part of the line volts reach the load', ': a contact or a joint does not carry.'],
  'load-at-rest': 'Nothing across the load with no call.',
  'load-live-without-call': [
    'The load is live with no call',
    ': read its coil. Nothing there: the contact is welded, power off.',
  ],
  'switch-row-open': ['One of the two is open', ': each alone tells which, and the pressure tells why.'],
  'thermostat-switches-well': 'It closes and opens where it should.',
  'thermostat-closes-late': ['Closes too late', ': the coil is deep in frost by then. See that it lies on the line.'],
  'thermostat-closes-early': ['Closes too early', ': it defrosts a coil that has no frost.'],
  'thermostat-opens-early': ['Opens too early', ': bands of frost stay. See that it lies on the line.'],
  'thermostat-opens-late': ['Opens too late', ': defrosts end by the clock instead.'],
  'restarts-well': 'Every call ran, and with none all is still.',
  'restart-call-fails': [
    'A call no longer runs what it should',
    ': what was touched last first: each wire on its lug, panels and door switch, then the fuse.',
  ],
  'restart-amps-differ': ['Amps differ from before', '. Clamp each wire: a wire on another lug, or a leg not made.'],
  'restart-no-change': ['It runs and moves no heat', ': the compressor and both fans, then the reversing valve.'],
  'restart-runs-on': [
    'Something runs with no call',
    ': power off again. A wire on the wrong lug, or a contact welded at the start.',
  ],
  'defrosts-well': 'The coil cleared all over and it ended by temperature.',
  'coil-too-warm-to-test': ['Coil above 35 °F at the start', ': the test proves nothing; frost it first.'],
  'test-not-started': [
    'Nothing happened',
    ': the defrost was not started. Pins and call first, then the board and its command, then its sensors.',
  ],
  'ended-by-hand': ['Ended by hand', ': its time and the frost prove nothing. Let it end by itself.'],
  'defrost-too-short': ['Over in seconds', ': too short to clear a coil. Check the minutes, or run it again.'],
  'valve-did-not-shift': ['The reversing valve did not shift', ': its coil volts, then the valve.'],
  'fan-kept-running': ['The outdoor fan kept running', ': the board’s fan relay.'],
  'compressor-stopped': ['The compressor stopped', ': a pressure switch or the board’s Y out.'],
  'no-auxiliary-heat': 'No auxiliary heat came on to temper the air.',
  'ended-by-limit': ['Ended by its time limit, not by temperature', ': sensor, charge or a setting too high.'],
  'ended-early': ['Ended well below its setting', ': the sensor reads warm, or is off its place.'],
  'frost-in-bands': ['Bands of frost were left', ': raise the termination setting, look at the sensor.'],
  'frost-at-limit': [
    'Frost was left when its time was up',
    ': leave the setting. Check the charge, the valve, and where the sensor sits.',
  ],
  'frost-as-block': ['The coil is a block of ice', ': fan, charge, board, sensor, drain, in that order.'],
  'fan-runs-past-relay': ['The fan runs past the board’s relay', ': that relay is bad.'],
  'fan-dead-past-relay': ['Dead past the relay too', ': the fan’s capacitor, then its motor.'],
  // Control chain
  'chain-complete': '24 V all along the chain.',
  'chain-so-far-good': ['24 V as far as it was measured', '; go on along the chain.'],
  'no-control-volts': ['No control volts at the board', ': transformer, low-voltage fuse, or the wire between.'],
  'no-call-at-board': ['No Y at the board', ': thermostat or its wire.'],
  'contactor-not-seen': ['The board does not see the contactor in', ': its run-time sense wire.'],
  'board-feeds-no-sensor': ['The board feeds no sensor', ': board.'],
  'thermostat-open': ['Coil thermostat open on a cold coil', ': it never starts a defrost.'],
  'thermostat-open-warm': ['Coil thermostat open on a warm coil, as it should be', ': it closes near freezing.'],
  'thermostat-open-unproven': [
    'Coil thermostat open',
    ': right on a warm coil. Measure the coil there; below 28 °F it must be closed.',
  ],
  'thermostat-shut-cold': ['Coil thermostat closed on a cold coil', ', as it should be.'],
  'thermostat-shut-unproven': [
    'Coil thermostat closed',
    ': right on a cold coil. Measure the coil there; above 85 °F it must be open.',
  ],
  'blower-never-stops': ['The blower never stops', ': the fan switch first, then a welded relay, then the board.'],
  'refrigerant-as-plate': 'As the plate says.',
  'refrigerant-other': [
    'Not the refrigerant of the plate',
    ': its pressures are judged by the one that is in it. Note which, and what else was changed for it.',
  ],
  'refrigerant-mixed': ['Mixed, or not pure', ': recover it all, and never add to it.'],
  'refrigerant-unmarked': ['Nothing tells what is in it', ': an analyzer does. Until then its pressures prove little.'],
  'suction-cold': 'The suction line gets cold, as it should.',
  'suction-not-cold': [
    'The suction line does not get cold',
    ': does the compressor pump at all? Its amps first, then the valve, then the charge.',
  ],
  'suction-frosted': ['The suction line is frosted', ': air first, filter, wheel and coil, and only then the charge.'],
  'pan-heater-energized': 'Line volts at the pan heater in a defrost.',
  'pan-heater-goes-off': 'Off after it.',
  'pan-heater-stays-on': 'Still on ten minutes after: right where its control holds it below freezing.',
  'pan-heater-not-energized': [
    'No volts at the pan heater in a defrost',
    ': not the heater, what switches it. Most controls hold it off in mild air; then the board, then the wire.',
  ],
  'pan-heater-low-volts': ['Half the line at the pan heater', ': a leg is missing on its way.'],
  'sensor-ohms-kept': [
    'Its ohms are kept, and no temperature made of them',
    ': its curve or the outdoor air is not on record, or they lie outside the curve.',
  ],
  'sensors-alike': 'Both sensors read alike.',
  'sensors-differ': [
    'The two sensors lie more than 5 °F apart by their ohms',
    ', off and settled in the same air: one of them has drifted. Hold each against a thermometer.',
  ],
  'coil-sensor-colder': 'The coil’s sensor is colder than the air while it heats, as it must be.',
  'coil-sensor-not-colder': [
    'The coil’s sensor is no colder than the air while it heats',
    ': off its pipe, drifted, or the coil takes no heat. In a defrost and just after one it may be so.',
  ],
  'thermostat-stuck-shut': ['Coil thermostat closed on a hot coil', ': it never ends a defrost by temperature.'],
  'board-holds-y': ['Y goes in and not out', ': the board holds it, on a delay or by fault.'],
  'high-switch-open': ['High pressure switch open', ': find out why; do not bypass it.'],
  'low-switch-open': ['Low pressure switch open', ': find out why; do not bypass it.'],
  'wire-to-coil': ['Volts up to the switches and none at the contactor coil', ': the wire between.'],
  // The can and the sections of a run capacitor
  'can-sound': 'The can looks sound.',
  'can-rusted': ['The can is rusted', '; look for a leak at the seam.'],
  'can-bulged': 'A bulged can is condemned whatever it reads.',
  'can-leaking': 'A leaking can is condemned whatever it reads.',
  'can-burst': ['Burst or burnt', ': do not run it.'],
  'section-open': (point) => [`${point} reads nothing`, ': open.'],
  'section-shorted': (point) => `${point} is shorted.`,
  'section-holds': (point) => [
    `${point} holds a charge`,
    '; how much is not shown. Its µF on the bench are still owed.',
  ],
};

function sayOne(code: string, point: Point | undefined): Line | null {
  const between = readBetween(code);
  if (between) {
    const { what, first, second } = between;
    return what === 'lost'
      ? [`24 V at ${first} and none at ${second}`, ': the fault lies between. Measure the places between to name it.']
      : [
          `No volts at ${first}, yet volts at ${second} behind it`,
          ': one of the two was read wrong. Measure both again.',
        ];
  }
  const words = own(FINDING_WORDS as Readonly<Record<string, Said | ((point: string) => Said)>>, code);
  if (words === undefined) return null;
  return lineOf(typeof words === 'function' ? words(POINT_NAMES[point ?? 'whole']) : words);
}

/** Findings in words, in the order they were found; unknown ones are left out. */
export const sayFindings = (codes: readonly string[], point?: Point): Line =>
  joined(codes.map((code) => sayOne(code, point)).filter((line) => line !== null));
