# frozen_string_literal: true

# Pigments and what a mould is lined with stand on the shelf as well.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE products DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('resins', 'fillers', 'hardeners', 'glues', 'pigments', 'supplies'));
    SQL

  down { raise Sequel::Error, "pigments and supplies on the shelf cannot be put back" }
end
