# frozen_string_literal: true

# What became of a piece: the ledger. Its numbers are as they were when it was closed.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE endings (
        blank_id bigint PRIMARY KEY REFERENCES blanks ON DELETE CASCADE,
        outcome text NOT NULL,
        ended_on date NOT NULL,
        started_on date,
        price double precision,
        blank_cost double precision NOT NULL,
        materials_cost double precision NOT NULL,
        rate double precision NOT NULL,
        survey_h double precision NOT NULL,
        mend_h double precision NOT NULL,
        turn_h double precision NOT NULL,
        finish_h double precision NOT NULL,
        planned_h double precision,
        why text,
        failed_at text,
        lessons text,
        stuff text NOT NULL,
        stock_kind text NOT NULL,
        form_kind text,
        origin text,
        trouble text NOT NULL,
        largest_mm double precision NOT NULL,
        closed_at timestamptz NOT NULL,
        CONSTRAINT valid_outcome CHECK (outcome IN ('done', 'given_away', 'sold', 'kept_back', 'given_up')),
        CONSTRAINT valid_price CHECK (price BETWEEN 0 AND 1000000 AND outcome = 'sold' OR price IS NULL),
        CONSTRAINT valid_costs CHECK (blank_cost BETWEEN 0 AND 1000000 AND materials_cost BETWEEN 0 AND 1000000
          AND rate BETWEEN 0 AND 100000),
        CONSTRAINT valid_hours CHECK (survey_h BETWEEN 0 AND 10000 AND mend_h BETWEEN 0 AND 10000
          AND turn_h BETWEEN 0 AND 10000 AND finish_h BETWEEN 0 AND 10000),
        CONSTRAINT valid_trouble CHECK (trouble IN ('none', 'kept', 'mended')),
        CONSTRAINT valid_dates CHECK (started_on <= ended_on)
      );
      CREATE INDEX endings_by_day ON endings (ended_on DESC, blank_id);
    SQL
  down { run "DROP TABLE endings" }
end
