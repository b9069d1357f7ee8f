import { CheckField } from '../primitives/Field';
import { WEEKDAYS } from './visitWords';

/** Days of the week to choose from; 1 is Monday. */
export function Weekdays({
  chosen,
  error,
  onChange,
}: {
  readonly chosen: readonly number[];
  readonly error: string | undefined;
  readonly onChange: (days: number[]) => void;
}) {
  return (
    <fieldset>
      <legend className="caption">Days of the week</legend>
      <div className="flex flex-wrap gap-x-4">
        {WEEKDAYS.map((name, i) => (
          <CheckField
            key={name}
            label={name}
            checked={chosen.includes(i + 1)}
            onChange={() =>
              onChange(
                chosen.includes(i + 1)
                  ? chosen.filter((day) => day !== i + 1)
                  : [...chosen, i + 1].sort(),
              )
            }
          />
        ))}
      </div>
      {error !== undefined && (
        <p role="alert" className="text-[13px] text-signal-deep">
          {error}
        </p>
      )}
    </fieldset>
  );
}
