# frozen_string_literal: true

# A reading sent twice by a device that waited for the server counts once.
Sequel.migration do
  up { run "ALTER TABLE readings ADD COLUMN key uuid, ADD CONSTRAINT readings_key_key UNIQUE (key)" }
  down { run "ALTER TABLE readings DROP COLUMN key" }
end
