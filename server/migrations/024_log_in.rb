# frozen_string_literal: true

# Rights of the people, their passwords and log-ins, the devices that are paired, and who did what.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE people ADD COLUMN role text NOT NULL DEFAULT 'maker',
        ADD CONSTRAINT valid_role CHECK (role IN ('owner', 'maker', 'learner', 'viewer'));
      UPDATE people SET role = 'owner' WHERE id = (SELECT min(id) FROM people);

      -- The tables of Rodauth, which looks after log-in.
      CREATE TABLE account_password_hashes (
        id bigint PRIMARY KEY REFERENCES people ON DELETE CASCADE,
        password_hash text NOT NULL
      );
      CREATE TABLE account_login_failures (
        id bigint PRIMARY KEY REFERENCES people ON DELETE CASCADE,
        number integer NOT NULL DEFAULT 1
      );
      CREATE TABLE account_lockouts (
        id bigint PRIMARY KEY REFERENCES people ON DELETE CASCADE,
        key text NOT NULL,
        deadline timestamp NOT NULL DEFAULT CURRENT_TIMESTAMP + interval '15 minutes',
        email_last_sent timestamp
      );
      CREATE TABLE account_active_session_keys (
        account_id bigint REFERENCES people ON DELETE CASCADE,
        session_id text,
        created_at timestamptz NOT NULL DEFAULT CURRENT_TIMESTAMP,
        last_use timestamptz NOT NULL DEFAULT CURRENT_TIMESTAMP,
        PRIMARY KEY (account_id, session_id)
      );
      CREATE TABLE account_authentication_audit_logs (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        account_id bigint NOT NULL REFERENCES people ON DELETE CASCADE,
        at timestamptz NOT NULL DEFAULT CURRENT_TIMESTAMP,
        message text NOT NULL,
        metadata jsonb
      );
      CREATE INDEX audit_of_account ON account_authentication_audit_logs (account_id, at);

      -- Phones and tablets: each keeps a token, of which only the sum is kept here.
      CREATE TABLE devices (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        person_id bigint NOT NULL REFERENCES people ON DELETE CASCADE,
        name text NOT NULL,
        token_sum text NOT NULL UNIQUE,
        paired_at timestamptz NOT NULL,
        last_seen_at timestamptz NOT NULL,
        revoked_at timestamptz,
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 60)
      );
      -- Codes that pair one device each, for a few minutes.
      CREATE TABLE pairings (
        code_sum text PRIMARY KEY,
        person_id bigint NOT NULL REFERENCES people ON DELETE CASCADE,
        ends_at timestamptz NOT NULL,
        used_at timestamptz
      );
      -- How often something was tried of late; nothing is lost with it.
      CREATE UNLOGGED TABLE attempts (
        key text PRIMARY KEY,
        count integer NOT NULL,
        ends_at timestamptz NOT NULL
      );

      ALTER TABLE journal ADD COLUMN by text, ADD CONSTRAINT valid_by CHECK (char_length(by) BETWEEN 1 AND 60);
      ALTER TABLE readings ADD COLUMN by text, ADD CONSTRAINT valid_by CHECK (char_length(by) BETWEEN 1 AND 60);
      -- A card that said stop, and the one who released it.
      ALTER TABLE card_marks ADD COLUMN by text, ADD CONSTRAINT valid_by CHECK (char_length(by) BETWEEN 1 AND 60),
        DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('started', 'done', 'taken_back', 'trouble', 'seen', 'released'));
      DROP INDEX done_once;
      CREATE UNIQUE INDEX done_once ON card_marks (card_id, line, kind, turn)
        WHERE kind NOT IN ('trouble', 'seen', 'released');
      ALTER TABLE stock_moves ADD COLUMN by text, ADD CONSTRAINT valid_by CHECK (char_length(by) BETWEEN 1 AND 60);
    SQL
  down { run <<~SQL }
      ALTER TABLE stock_moves DROP COLUMN by;
      ALTER TABLE card_marks DROP COLUMN by, DROP CONSTRAINT valid_kind,
        ADD CONSTRAINT valid_kind CHECK (kind IN ('started', 'done', 'taken_back', 'trouble', 'seen')) NOT VALID;
      DROP INDEX done_once;
      CREATE UNIQUE INDEX done_once ON card_marks (card_id, line, kind, turn) WHERE kind NOT IN ('trouble', 'seen');
      ALTER TABLE readings DROP COLUMN by;
      ALTER TABLE journal DROP COLUMN by;
      DROP TABLE attempts, pairings, devices, account_authentication_audit_logs, account_active_session_keys,
        account_lockouts, account_login_failures, account_password_hashes;
      ALTER TABLE people DROP COLUMN role;
    SQL
end
