export const DEMO_TEMPLATE: string;
export function loadDemoTemplate(adminUrl: string): Promise<void>;
