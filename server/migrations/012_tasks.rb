# frozen_string_literal: true

# Changes that take longer than a request should: what was asked, how far it has come, what came of it; and the files
# they were given, cut up.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE tasks (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        kind text NOT NULL,
        asked jsonb NOT NULL,
        done integer NOT NULL DEFAULT 0,
        total integer NOT NULL DEFAULT 0,
        stopped boolean NOT NULL DEFAULT false,
        result jsonb,
        problem jsonb,
        asked_at timestamptz NOT NULL DEFAULT now(),
        ended_at timestamptz,
        CONSTRAINT valid_kind CHECK (kind IN ('lathe', 'air', 'import')),
        CONSTRAINT valid_progress CHECK (done >= 0 AND total >= 0 AND done <= total),
        CONSTRAINT valid_end CHECK (ended_at IS NOT NULL OR (result IS NULL AND problem IS NULL))
      );

      CREATE TABLE task_files (
        task_id bigint NOT NULL REFERENCES tasks ON DELETE CASCADE,
        position integer NOT NULL,
        bytes bytea NOT NULL,
        PRIMARY KEY (task_id, position),
        CONSTRAINT valid_position CHECK (position >= 0),
        CONSTRAINT valid_bytes CHECK (octet_length(bytes) BETWEEN 1 AND 1048576)
      );
      -- What is sent is packed already.
      ALTER TABLE task_files ALTER COLUMN bytes SET STORAGE EXTERNAL;
    SQL

  down { run "DROP TABLE task_files, tasks" }
end
