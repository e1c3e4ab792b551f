# frozen_string_literal: true

# Version 5 of the blank file: a plan of mending, and what is soaked already. The cards a plan is worked by, their
# waits, the stores they draw on, and what the shop's own work has shown.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE blanks
        ADD COLUMN mend jsonb,
        ADD COLUMN resin_kg_m3 double precision,
        ADD COLUMN wait_earliest_at timestamptz,
        ADD CONSTRAINT valid_earliest CHECK (wait_earliest_at <= wait_ends_at),
        ADD CONSTRAINT valid_resin_in_it CHECK (resin_kg_m3 >= 0 AND resin_kg_m3 <= 1600 AND resin_kg_m3 <= density_kg_m3),
        ADD CONSTRAINT valid_mend CHECK (mend IS NULL OR (jsonb_typeof(mend->'steps') = 'array' AND jsonb_array_length(mend->'steps') <= 40));

      ALTER TABLE defects
        ADD COLUMN soaked_share double precision,
        ADD CONSTRAINT valid_soaking CHECK (soaked_share BETWEEN 0 AND 1 AND (soaked_share IS NULL OR type IN ('soft_zone', 'galleries')));

      CREATE TABLE products (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        name text NOT NULL UNIQUE,
        kind text NOT NULL,
        "like" text NOT NULL,
        sheet jsonb NOT NULL DEFAULT '{}',
        pack_g double precision NOT NULL,
        pack_price double precision NOT NULL DEFAULT 0,
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 120),
        CONSTRAINT valid_kind CHECK (kind IN ('resins', 'fillers', 'hardeners', 'glues')),
        CONSTRAINT valid_like CHECK (char_length("like") BETWEEN 1 AND 60),
        CONSTRAINT valid_pack CHECK (pack_g > 0 AND pack_g <= 1000000 AND pack_price >= 0 AND pack_price <= 1000000)
      );

      CREATE TABLE lots (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        product_id bigint NOT NULL REFERENCES products,
        part text,
        code text NOT NULL,
        opened_on date,
        CONSTRAINT valid_part CHECK (part IN ('resin', 'hardener')),
        CONSTRAINT valid_code CHECK (char_length(code) BETWEEN 1 AND 60)
      );
      CREATE INDEX lots_of_product ON lots (product_id);

      CREATE TABLE cards (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        blank_id bigint NOT NULL REFERENCES blanks,
        key uuid NOT NULL UNIQUE,
        document jsonb NOT NULL,
        steps jsonb NOT NULL,
        started_at timestamptz NOT NULL,
        ended_at timestamptz,
        CONSTRAINT valid_steps CHECK (jsonb_typeof(steps) = 'array' AND jsonb_array_length(steps) BETWEEN 1 AND 40),
        CONSTRAINT valid_end CHECK (ended_at >= started_at)
      );
      CREATE UNIQUE INDEX one_open_card_a_blank ON cards (blank_id) WHERE ended_at IS NULL;

      -- What was done of a card, in order. turn: how often that line had been taken back before; so each is done once, however many hands tick it.
      CREATE TABLE card_marks (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        card_id bigint NOT NULL REFERENCES cards,
        key uuid NOT NULL,
        line text NOT NULL,
        kind text NOT NULL,
        turn integer NOT NULL,
        value double precision,
        found jsonb,
        marked_at timestamptz NOT NULL,
        CONSTRAINT one_mark_a_key UNIQUE (card_id, key),
        CONSTRAINT valid_kind CHECK (kind IN ('started', 'done', 'taken_back', 'trouble')),
        CONSTRAINT valid_turn CHECK (turn >= 0),
        CONSTRAINT valid_value CHECK (value >= 0 AND value <= 1000000)
      );
      CREATE UNIQUE INDEX done_once ON card_marks (card_id, line, kind, turn) WHERE kind <> 'trouble';

      CREATE TABLE waits (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        blank_id bigint NOT NULL REFERENCES blanks,
        card_id bigint NOT NULL REFERENCES cards,
        line text NOT NULL,
        reason text NOT NULL,
        unlocks text,
        working boolean NOT NULL,
        cure boolean NOT NULL,
        started_at timestamptz NOT NULL,
        earliest_at timestamptz NOT NULL,
        likely_at timestamptz NOT NULL,
        ended_at timestamptz,
        CONSTRAINT one_wait_a_line UNIQUE (card_id, line),
        CONSTRAINT valid_times CHECK (earliest_at >= started_at AND likely_at >= earliest_at AND ended_at >= started_at)
      );
      CREATE INDEX waits_open ON waits (blank_id) WHERE ended_at IS NULL;

      CREATE TABLE reservations (
        card_id bigint NOT NULL REFERENCES cards,
        "key" text NOT NULL,
        part text NOT NULL DEFAULT '',
        grams double precision NOT NULL,
        PRIMARY KEY (card_id, "key", part),
        CONSTRAINT valid_grams CHECK (grams >= 0 AND grams <= 1000000)
      );

      CREATE TABLE stock_moves (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        lot_id bigint NOT NULL REFERENCES lots,
        key uuid NOT NULL UNIQUE,
        grams double precision NOT NULL,
        reason text NOT NULL,
        card_id bigint REFERENCES cards,
        moved_at timestamptz NOT NULL,
        CONSTRAINT valid_grams CHECK (grams >= -1000000 AND grams <= 1000000 AND grams <> 0),
        CONSTRAINT valid_reason CHECK (reason IN ('bought', 'used', 'put_back', 'counted', 'thrown_out'))
      );
      CREATE INDEX moves_of_lot ON stock_moves (lot_id);

      CREATE TABLE records (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        card_id bigint REFERENCES cards,
        kind text NOT NULL,
        "of" text,
        value double precision NOT NULL,
        recorded_at timestamptz NOT NULL,
        CONSTRAINT valid_kind CHECK (kind IN ('loss_share', 'uptake_share', 'bubbling_min', 'cure_factor')),
        CONSTRAINT valid_value CHECK (value >= 0 AND value <= 100000)
      );

      CREATE TRIGGER card_marks_append_only BEFORE UPDATE OR DELETE ON card_marks FOR EACH ROW EXECUTE FUNCTION refuse_change();
      CREATE TRIGGER stock_moves_append_only BEFORE UPDATE OR DELETE ON stock_moves FOR EACH ROW EXECUTE FUNCTION refuse_change();
      CREATE TRIGGER records_append_only BEFORE UPDATE OR DELETE ON records FOR EACH ROW EXECUTE FUNCTION refuse_change();
    SQL

  down { raise Sequel::Error, "what version 5 keeps cannot be put back into version 4" }
end
