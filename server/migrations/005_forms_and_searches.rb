# frozen_string_literal: true

# Version 4 of the blank file: centres, an inside that follows, other forms thought of; and searches, with the queue
# that works them.
Sequel.migration do
  up do
    run <<~SQL
      ALTER TABLE blanks
        ADD COLUMN centres jsonb,
        ADD CONSTRAINT valid_centres CHECK (centres IS NULL OR (jsonb_array_length(centres->'head_mm') = 2 AND jsonb_array_length(centres->'tail_mm') = 2));

      ALTER TABLE forms
        ADD COLUMN wall_mm double precision,
        ADD COLUMN floor_mm double precision,
        DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN
          ('bowl', 'platter', 'hollow_form', 'box', 'stem_cup', 'knob', 'ring', 'sphere', 'egg', 'spindle', 'winged', 'rough', 'disc')),
        ADD CONSTRAINT valid_follows CHECK ((wall_mm IS NULL) = (floor_mm IS NULL) AND
          (wall_mm IS NULL OR (inside IS NULL AND wall_mm > 0 AND wall_mm <= 5000 AND floor_mm > 0 AND floor_mm <= 5000)));

      ALTER TABLE lathes
        ADD COLUMN jaws_mm jsonb,
        ADD CONSTRAINT valid_jaws CHECK (jaws_mm IS NULL OR (jsonb_typeof(jaws_mm) = 'array' AND jsonb_array_length(jaws_mm) <= 20));

      CREATE TABLE sketches (
        blank_id bigint NOT NULL REFERENCES blanks ON DELETE CASCADE,
        position integer NOT NULL,
        name text NOT NULL,
        form jsonb NOT NULL,
        centres jsonb,
        PRIMARY KEY (blank_id, position),
        CONSTRAINT valid_position CHECK (position BETWEEN 0 AND 7),
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 200)
      );

      CREATE TABLE searches (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        asked jsonb NOT NULL,
        stopped boolean NOT NULL DEFAULT false,
        asked_at timestamptz NOT NULL DEFAULT now()
      );

      CREATE TABLE search_parts (
        search_id bigint NOT NULL REFERENCES searches ON DELETE CASCADE,
        part integer NOT NULL,
        done integer NOT NULL DEFAULT 0,
        climbs integer NOT NULL,
        rows jsonb NOT NULL DEFAULT '[]',
        ended boolean NOT NULL DEFAULT false,
        problem text,
        PRIMARY KEY (search_id, part),
        CONSTRAINT valid_progress CHECK (part >= 0 AND done BETWEEN 0 AND climbs)
      );
    SQL
    MossyAnvil::Server::Jobs::Queue.open(self)
    Que.migrate!(version: Que::Migrations::CURRENT_VERSION)
  end

  down { raise Sequel::Error, "what version 4 keeps cannot be put back into version 3" }
end
