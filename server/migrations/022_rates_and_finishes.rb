# frozen_string_literal: true

# Records of how long cuts, sanding and coats took and of what went on; any of them can be left out, and a rate be taken
# as it usually is. Finishes stand on the shelf.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE records DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('loss_share', 'uptake_share', 'bubbling_min', 'cure_factor',
          'drying_factor', 'cutting_factor', 'sanding_factor', 'soak_factor', 'coat_time_factor'));
      ALTER TABLE products DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('resins', 'fillers', 'hardeners', 'glues', 'pigments', 'supplies',
          'finishes'));

      CREATE TABLE records_left_out (
        record_id bigint PRIMARY KEY REFERENCES records,
        left_out_at timestamptz NOT NULL
      );
      CREATE TABLE rates_off (
        kind text NOT NULL,
        "of" text NOT NULL,
        PRIMARY KEY (kind, "of"),
        CONSTRAINT sized CHECK (length(kind) <= 60 AND length("of") <= 60)
      );
    SQL
  down { raise Sequel::Error, "records and products of the new kinds cannot be put back" }
end
