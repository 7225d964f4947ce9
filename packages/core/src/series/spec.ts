/** What the arithmetic of a series needs to know of what is measured: which way it wears, and how fast such parts drift. */
export interface SeriesSpec {
  /** Which way wear moves it; 'either' where both ends are limits, 'none' for values that have no trend. */
  readonly wear: 'falls' | 'rises' | 'either' | 'none';
  /** 'unit' where shares make no sense, since values lie about zero. */
  readonly driftIn?: 'share' | 'unit' | undefined;
  /** Drift a year before a part has shown its own, as a share of the reference value: mean and standard deviation. */
  readonly driftPrior: { readonly meanShare: number; readonly sdShare: number };
  /** What new parts truly are, share of the reference, where their rating says: what a firm's meters share is held against it. */
  readonly newReads?: { readonly mean: number; readonly sd: number } | undefined;
}
