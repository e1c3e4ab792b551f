# frozen_string_literal: true

# Blanks that are done with: off the rack, kept whole.
Sequel.migration do
  up { run "ALTER TABLE blanks ADD COLUMN put_away_at timestamptz" }
  down { run "ALTER TABLE blanks DROP COLUMN put_away_at" }
end
