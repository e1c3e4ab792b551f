# frozen_string_literal: true

# Whether the pith is in the piece, the way its whole work goes, and what of it was looked at.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE blanks ADD COLUMN pith text CONSTRAINT valid_pith CHECK (pith IN ('in', 'out'));
      ALTER TABLE blanks ADD COLUMN route jsonb;
      ALTER TABLE blanks ADD COLUMN survey jsonb;
    SQL
  down { run "ALTER TABLE blanks DROP COLUMN pith, DROP COLUMN route, DROP COLUMN survey" }
end
