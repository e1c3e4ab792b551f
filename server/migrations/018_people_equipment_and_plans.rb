# frozen_string_literal: true

# Who works and when, what the shop has how many of, who waits for a piece, and what is left to do of each.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE people (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        name text NOT NULL UNIQUE,
        hours jsonb NOT NULL,
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 60),
        CONSTRAINT valid_hours CHECK (jsonb_typeof(hours) = 'array' AND jsonb_array_length(hours) <= 21)
      );

      ALTER TABLE shop ADD COLUMN equipment jsonb,
        ADD CONSTRAINT valid_equipment CHECK (jsonb_typeof(equipment) = 'object');

      ALTER TABLE blanks
        ADD COLUMN due_on date,
        ADD COLUMN asked_for text,
        ADD CONSTRAINT valid_asked_for CHECK (asked_for IS NULL OR (char_length(asked_for) BETWEEN 1 AND 200 AND due_on IS NOT NULL));

      -- Worked out from the blank, and worked out again where made_for is no longer what it is made for.
      CREATE TABLE work_plans (
        blank_id bigint PRIMARY KEY REFERENCES blanks ON DELETE CASCADE,
        made_for text NOT NULL,
        made_at timestamptz NOT NULL,
        plan jsonb NOT NULL
      );
    SQL
  down { run <<~SQL }
      DROP TABLE work_plans, people;
      ALTER TABLE shop DROP COLUMN equipment;
      ALTER TABLE blanks DROP COLUMN due_on, DROP COLUMN asked_for;
    SQL
end
