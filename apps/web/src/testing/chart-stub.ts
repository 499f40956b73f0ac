/** jsdom has no canvas: charts are checked in the real browser. */
export class Chart {
  static readonly defaults: { font?: unknown } = {};
  static register(): void {
    // Nothing to register.
  }
  data: unknown;
  options: unknown;
  constructor(_canvas: unknown, config: { data: unknown; options: unknown }) {
    this.data = config.data;
    this.options = config.options;
  }
  destroy(): void {
    // Nothing was drawn.
  }
  update(): void {
    // Nothing is drawn.
  }
}
export const [LineController, LineElement, PointElement, LinearScale, CategoryScale, Filler] = Array.from({ length: 6 }, () => ({}));
/** A plugin. */
export default {};
