/** The kinds of residential system a round is worked on. */
export const SYSTEM_KINDS = [
  'split-air-conditioner',
  'split-heat-pump',
  'packaged-heat-pump',
  'air-handler-electric-heat',
  'gas-furnace-with-coil',
  'ductless-heat-pump',
] as const;

export type SystemKind = (typeof SYSTEM_KINDS)[number];

export const SYSTEM_KIND_NAMES: Readonly<Record<SystemKind, string>> = {
  'split-air-conditioner': 'split air conditioner',
  'split-heat-pump': 'split heat pump',
  'packaged-heat-pump': 'packaged heat pump',
  'air-handler-electric-heat': 'air handler with electric heat',
  'gas-furnace-with-coil': 'gas furnace with coil',
  'ductless-heat-pump': 'ductless inverter heat pump',
};

/** Whether it has a unit outdoors, and with it a compressor of its own; an air handler alone has its condenser on another record. */
export const hasOutdoorUnit = (kind: SystemKind): boolean => kind !== 'air-handler-electric-heat';
/** Whether a blower moves its air through ducts. */
export const hasBlower = (kind: SystemKind): boolean => kind !== 'ductless-heat-pump';
/** Whether its compressor runs at whatever speed the load asks for. */
export const isInverter = (kind: SystemKind): boolean => kind === 'ductless-heat-pump';
/** Whether its compressor heats too. */
export const isHeatPump = (kind: SystemKind): boolean => kind.endsWith('heat-pump');
