import { inToCm, readLength } from '@inchstep/core/foundation';
import type { ReactNode } from 'react';
import { useEffect, useState } from 'react';
import { useSettings } from './settings.tsx';

/** A labelled field with its hint and its error, tied together for screen readers. */
export function Field({
  id,
  label,
  hint,
  error,
  children,
}: {
  readonly id: string;
  readonly label: string;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
  readonly children: ReactNode;
}) {
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children}
      {hint && <p className="text-sm text-base-content/80">{hint}</p>}
      {error && (
        <p role="alert" className="text-sm font-semibold text-error">
          {error}
        </p>
      )}
    </div>
  );
}

/** A choice of few, as a row of large buttons. */
export function Choice<T extends string>({
  legend,
  value,
  options,
  onChange,
}: {
  readonly legend: string;
  readonly value: T;
  readonly options: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 font-semibold">{legend}</legend>
      <div className="join flex-wrap">
        {(Object.entries(options) as [T, string][]).map(([key, text]) => (
          <label key={key} className={`btn join-item ${value === key ? 'btn-primary' : ''}`}>
            <input type="radio" className="sr-only" checked={value === key} onChange={() => onChange(key)} />
            {text}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Any of several, as toggles. */
export function Several<T extends string>({
  legend,
  values,
  options,
  onChange,
  error,
}: {
  readonly legend: string;
  readonly values: readonly T[];
  readonly options: Readonly<Record<T, string>>;
  readonly onChange: (values: T[]) => void;
  readonly error?: string | undefined;
}) {
  const flip = (key: T) =>
    onChange(values.includes(key) ? values.filter((v) => v !== key) : [...values, key]);
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-2">
        {(Object.entries(options) as [T, string][]).map(([key, text]) => (
          <label key={key} className={`btn ${values.includes(key) ? 'btn-primary' : ''}`}>
            <input
              type="checkbox"
              className="sr-only"
              checked={values.includes(key)}
              onChange={() => flip(key)}
            />
            {text}
          </label>
        ))}
      </div>
      {error && (
        <p role="alert" className="mt-1 text-sm font-semibold text-error">
          {error}
        </p>
      )}
    </fieldset>
  );
}

/** A length typed in the coach's units and kept in inches. */
export function LengthInput({
  id,
  inches,
  onChange,
  required = false,
}: {
  readonly id: string;
  readonly inches: number | null;
  readonly onChange: (inches: number | null) => void;
  readonly required?: boolean;
}) {
  const { lengths } = useSettings();
  const shown = (value: number | null) =>
    value === null || Number.isNaN(value)
      ? ''
      : String(Math.round((lengths === 'cm' ? inToCm(value) : value) * 10) / 10);
  const told = (typed: string): number | null => readLength(typed, lengths);
  const [text, setText] = useState(shown(inches));
  // A change of units or from outside rewrites the text; typing, even half-way, never does.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the text is compared, not followed
  useEffect(() => {
    if ((told(text) || 0) !== (inches || 0)) setText(shown(inches));
  }, [lengths, inches]);
  return (
    <div className="flex items-center gap-2">
      <input
        id={id}
        className="input w-28"
        autoComplete="off"
        required={required}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          onChange(told(event.target.value));
        }}
      />
      <span>{lengths}</span>
    </div>
  );
}
