# frozen_string_literal: true

# The odds of a way of the work are played on the queue, and what came of the first truths can be seen on the way.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE tasks DROP CONSTRAINT valid_kind;
      ALTER TABLE tasks ADD CONSTRAINT valid_kind CHECK (kind IN ('lathe', 'air', 'import', 'odds')),
        ADD COLUMN so_far jsonb;
    SQL
  down { run <<~SQL }
      DELETE FROM tasks WHERE kind = 'odds';
      ALTER TABLE tasks DROP CONSTRAINT valid_kind, DROP COLUMN so_far;
      ALTER TABLE tasks ADD CONSTRAINT valid_kind CHECK (kind IN ('lathe', 'air', 'import'));
    SQL
end
