# frozen_string_literal: true

# Version 3 of the blank file: tests as readings, what the turner chose, groups, what the piece is for and what it is
# worth.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE blanks
        ADD COLUMN worth_outcome double precision,
        ADD COLUMN worth_hours double precision,
        ADD COLUMN worth_rate double precision,
        ADD CONSTRAINT valid_worth CHECK (
          (worth_outcome IS NULL) = (worth_hours IS NULL) AND (worth_outcome IS NULL) = (worth_rate IS NULL) AND
          (worth_outcome IS NULL OR (worth_outcome BETWEEN 0 AND 1000000 AND worth_hours BETWEEN 0 AND 10000 AND worth_rate BETWEEN 0 AND 100000)));

      ALTER TABLE defects
        ADD COLUMN "group" text,
        ADD COLUMN chosen text,
        ADD CONSTRAINT valid_group CHECK (char_length("group") BETWEEN 1 AND 40),
        ADD CONSTRAINT valid_chosen CHECK (chosen IN ('leave', 'hold', 'soak', 'fill', 'cast', 'dry_first', 'remove_now'));

      ALTER TABLE forms
        ADD COLUMN use text,
        ADD CONSTRAINT valid_use CHECK (use IN ('display', 'handled', 'food', 'wet'));

      ALTER TABLE readings
        ADD COLUMN found text,
        ALTER COLUMN value DROP NOT NULL,
        DROP CONSTRAINT valid_moisture, DROP CONSTRAINT valid_mass, DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('moisture', 'mass', 'awl', 'tap', 'pry', 'thumbnail', 'drop', 'lamp')),
        ADD CONSTRAINT valid_place CHECK (kind = 'mass' OR
          (clock_deg BETWEEN -360 AND 720 AND clock_deg IS NOT NULL AND z_mm >= 0 AND z_mm <= 5000 AND z_mm IS NOT NULL)),
        ADD CONSTRAINT valid_moisture CHECK (kind <> 'moisture' OR
          (value >= 0 AND value <= 250 AND value IS NOT NULL AND depth_mm >= 0 AND depth_mm <= 1000 AND depth_mm IS NOT NULL)),
        ADD CONSTRAINT valid_mass CHECK (kind <> 'mass' OR (value > 0 AND value <= 1000000 AND value IS NOT NULL)),
        ADD CONSTRAINT valid_awl CHECK (kind <> 'awl' OR (value >= 0 AND value <= 200 AND value IS NOT NULL)),
        ADD CONSTRAINT valid_found CHECK (CASE kind
          WHEN 'tap' THEN found IN ('clear', 'dull') AND found IS NOT NULL
          WHEN 'pry' THEN found IN ('holds', 'moves') AND found IS NOT NULL
          WHEN 'thumbnail' THEN found IN ('dents', 'crumbles') AND found IS NOT NULL
          WHEN 'drop' THEN found IN ('beads', 'drinks') AND found IS NOT NULL
          WHEN 'lamp' THEN found IN ('dark', 'glows') AND found IS NOT NULL
          ELSE found IS NULL END);
    SQL

  down { raise Sequel::Error, "what version 3 keeps cannot be put back into version 2" }
end
