# frozen_string_literal: true

# A lot that is sent twice with one key is one lot.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE lots ADD COLUMN key uuid;
      ALTER TABLE lots ADD CONSTRAINT one_lot_a_key UNIQUE (key);
    SQL

  down { run "ALTER TABLE lots DROP COLUMN key" }
end
