/** How the pressure switches are wired between the board and the contactor coil. */
export const SWITCH_ORDERS = ['high-low', 'low-high', 'high-only', 'low-only', 'none'] as const;
export type SwitchOrder = (typeof SWITCH_ORDERS)[number];
