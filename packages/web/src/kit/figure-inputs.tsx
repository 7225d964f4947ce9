/** One figure, or the two ends of a window, with its unit. */
export const FigureInputs = ({
  title,
  texts,
  unit,
  invalid = false,
  onChange,
}: {
  title: string;
  texts: readonly string[];
  unit: string;
  invalid?: boolean;
  onChange: (texts: readonly string[]) => void;
}) => (
  <div className="flex items-center gap-2">
    {texts.map((text, at) => (
      <span key={at} className="flex items-center gap-2">
        {at > 0 && <span className="label">to</span>}
        <input
          aria-label={texts.length === 1 ? title : `${title}, ${at === 0 ? 'from' : 'to'}`}
          aria-invalid={invalid || undefined}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(e) => onChange(texts.map((t, i) => (i === at ? e.target.value : t)))}
          className={`h-12 w-24 rounded-[4px] border-[1.5px] bg-raised px-3 text-[18px] font-semibold focus:border-copper ${invalid ? 'border-act' : 'border-rule-strong'}`}
        />
      </span>
    ))}
    <span className="label">{unit}</span>
  </div>
);
