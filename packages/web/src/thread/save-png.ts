const PAD = 24;
const TITLE = 44;
const FONT = "600 22px 'Archivo Variable', sans-serif";

/** Draws the charts of a part of the page under one another, each under its title, on the theme's ground, as a PNG. */
export async function saveChartsAsPng(within: HTMLElement, name: string): Promise<void> {
  const charts = [...within.querySelectorAll<HTMLElement>('[data-chart]')].flatMap((holder) => {
    const canvas = holder.querySelector('canvas');
    return canvas ? [{ canvas, title: holder.dataset.chart ?? '' }] : [];
  });
  const style = getComputedStyle(document.documentElement);
  const sheet = document.createElement('canvas');
  sheet.width = Math.max(...charts.map((c) => c.canvas.width)) + 2 * PAD;
  sheet.height = charts.reduce((sum, c) => sum + c.canvas.height + TITLE, 2 * PAD);
  const context = sheet.getContext('2d');
  if (!context || charts.length === 0) return;
  context.fillStyle = style.getPropertyValue('--ground').trim() || style.backgroundColor;
  context.fillRect(0, 0, sheet.width, sheet.height);
  let top = PAD;
  for (const { canvas, title } of charts) {
    context.fillStyle = style.getPropertyValue('--ink').trim();
    context.font = FONT;
    context.fillText(title, PAD, top + 24);
    context.drawImage(canvas, PAD, top + TITLE);
    top += canvas.height + TITLE;
  }
  const blob = await new Promise<Blob | null>((resolve) => sheet.toBlob(resolve, 'image/png'));
  if (!blob) return;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = `${name.replace(/[^\w-]+/g, '-').toLowerCase()}.png`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
