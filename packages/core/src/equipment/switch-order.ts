/** How the pressure switches are wired between the board and the contactor coil. */
export const SWITCH_ORDERS = ['high-low', 'low-high', 'high-only', 'low-only', 'none'] as const;
export type SwitchOrder = (typeof SWITCH_ORDERS)[number];

/** What each is called, as one chooses it. */
export const SWITCH_ORDER_NAMES: Readonly<Record<SwitchOrder, string>> = {
  'high-low': 'High, then low',
  'low-high': 'Low, then high',
  'high-only': 'High only',
  'low-only': 'Low only',
  none: 'None',
};
