# frozen_string_literal: true

# Rehearsals of a piece and what was done in them; the odds as they were last played; blanks to practise on.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE rehearsals (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        blank_id bigint NOT NULL REFERENCES blanks ON DELETE CASCADE,
        "by" text,
        -- The draft, the shop's air and numbers as they were when it began: what is answered follows from them.
        setting jsonb NOT NULL,
        -- Of the truth that nobody knows; nothing where the truth is the survey.
        seed bigint,
        index integer NOT NULL DEFAULT 0,
        begun_at timestamptz NOT NULL,
        ended_at timestamptz,
        outcome jsonb,
        CONSTRAINT valid_seed CHECK (seed BETWEEN 0 AND 2147483647),
        CONSTRAINT valid_end CHECK ((ended_at IS NULL) = (outcome IS NULL))
      );
      CREATE INDEX rehearsals_of_blank ON rehearsals (blank_id, id DESC);

      CREATE TABLE rehearsal_acts (
        rehearsal_id bigint NOT NULL REFERENCES rehearsals ON DELETE CASCADE,
        position integer NOT NULL,
        act jsonb NOT NULL,
        PRIMARY KEY (rehearsal_id, position),
        CONSTRAINT valid_position CHECK (position BETWEEN 0 AND 1999)
      );

      -- The last of each way; told as long as the piece is as it was, counted in the ledger for ever.
      CREATE TABLE played_odds (
        blank_id bigint PRIMARY KEY REFERENCES blanks ON DELETE CASCADE,
        version integer NOT NULL,
        told jsonb NOT NULL,
        played_at timestamptz NOT NULL,
        CONSTRAINT valid_version CHECK (version >= 1)
      );

      CREATE TABLE practices (
        blank_id bigint PRIMARY KEY REFERENCES blanks ON DELETE CASCADE,
        seed integer NOT NULL,
        level integer NOT NULL,
        "by" text,
        begun_at timestamptz NOT NULL,
        minutes double precision NOT NULL DEFAULT 0,
        ended_at timestamptz,
        verdict text,
        score double precision,
        told jsonb,
        CONSTRAINT valid_seed CHECK (seed BETWEEN 0 AND 2147483647),
        CONSTRAINT valid_level CHECK (level BETWEEN 1 AND 5),
        CONSTRAINT valid_minutes CHECK (minutes BETWEEN 0 AND 10000),
        CONSTRAINT valid_verdict CHECK (verdict IN ('turn', 'care', 'leave')),
        CONSTRAINT valid_score CHECK (score BETWEEN 0 AND 100),
        CONSTRAINT valid_end CHECK ((ended_at IS NULL) = (told IS NULL) AND (ended_at IS NULL) = (verdict IS NULL)
          AND (ended_at IS NULL) = (score IS NULL))
      );

      ALTER TABLE tasks DROP CONSTRAINT valid_kind;
      ALTER TABLE tasks ADD CONSTRAINT valid_kind CHECK (kind IN ('lathe', 'air', 'import', 'odds', 'practice'));
    SQL
  down { run <<~SQL }
      DELETE FROM tasks WHERE kind = 'practice';
      ALTER TABLE tasks DROP CONSTRAINT valid_kind;
      ALTER TABLE tasks ADD CONSTRAINT valid_kind CHECK (kind IN ('lathe', 'air', 'import', 'odds'));
      DELETE FROM blanks WHERE id IN (SELECT blank_id FROM practices);
      DROP TABLE rehearsal_acts, rehearsals, played_odds, practices;
    SQL
end
