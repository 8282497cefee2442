import type { ProfileColumns } from '@apple-cart/core';

const DISTANCE_UNITS = ['m', 'km', 'mi', 'ft'] as const;
const ELEVATION_UNITS = ['m', 'ft'] as const;
const SELECT = 'h-7 border-b border-ink3 bg-field max-bench:h-11';

/** Which columns of a table are distance and elevation, and in which units. */
export function ColumnChoice({
  names,
  columns,
  onChange,
}: {
  names: readonly string[];
  columns: ProfileColumns;
  onChange: (columns: ProfileColumns) => void;
}) {
  const column = (key: 'distance' | 'elevation', label: string) => (
    <label className="flex items-center gap-2">
      <span className="w-16">{label}</span>
      <select
        className={SELECT}
        value={columns[key]}
        onChange={(event) => {
          onChange({ ...columns, [key]: event.target.value });
        }}
      >
        {names.map((name) => (
          <option key={name}>{name}</option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-1 border-b border-hair py-2">
      <span className="flex items-center gap-2">
        {column('distance', 'Distance')}
        <select
          aria-label="Unit of the distance"
          className={SELECT}
          value={columns.distanceUnit}
          onChange={(event) => {
            const unit = DISTANCE_UNITS.find((u) => u === event.target.value);
            if (unit !== undefined) onChange({ ...columns, distanceUnit: unit });
          }}
        >
          {DISTANCE_UNITS.map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </select>
      </span>
      <span className="flex items-center gap-2">
        {column('elevation', 'Elevation')}
        <select
          aria-label="Unit of the elevation"
          className={SELECT}
          value={columns.elevationUnit}
          onChange={(event) => {
            const unit = ELEVATION_UNITS.find((u) => u === event.target.value);
            if (unit !== undefined) onChange({ ...columns, elevationUnit: unit });
          }}
        >
          {ELEVATION_UNITS.map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </select>
      </span>
    </div>
  );
}
