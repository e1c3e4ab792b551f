# frozen_string_literal: true

# What a blank is at beside the station where that is done; until it is worked out anew, the station stands for it.
# And whether this is the invented shop.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE blanks ADD COLUMN state text;
      UPDATE blanks SET state = note;
      ALTER TABLE blanks ALTER COLUMN state SET NOT NULL;
      ALTER TABLE shop ADD COLUMN demo boolean NOT NULL DEFAULT false;
    SQL
  down { run "ALTER TABLE blanks DROP COLUMN state; ALTER TABLE shop DROP COLUMN demo" }
end
