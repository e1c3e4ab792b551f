# frozen_string_literal: true

# Whether the pith is in the piece, and the way its whole work goes.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE blanks ADD COLUMN pith text CONSTRAINT valid_pith CHECK (pith IN ('in', 'out'));
      ALTER TABLE blanks ADD COLUMN route jsonb;
    SQL
  down { run "ALTER TABLE blanks DROP COLUMN pith, DROP COLUMN route" }
end
