# frozen_string_literal: true

# What was seen while a line's time runs, as often as anybody looks: a mark of its own kind.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE card_marks DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('started', 'done', 'taken_back', 'trouble', 'seen')),
        ADD CONSTRAINT valid_seen CHECK (kind <> 'seen' OR value BETWEEN 0 AND 3);
      DROP INDEX done_once;
      CREATE UNIQUE INDEX done_once ON card_marks (card_id, line, kind, turn) WHERE kind NOT IN ('trouble', 'seen');
    SQL

  down { raise Sequel::Error, "what was seen cannot be put back into the older kinds of mark" }
end
