# frozen_string_literal: true

# What instruments say now, and what they said: thinned to spans of ten seconds with their extremes.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE instruments (
        key text NOT NULL CHECK (length(key) BETWEEN 1 AND 40),
        spot text NOT NULL DEFAULT '' CHECK (length(spot) <= 40),
        value double precision,
        about jsonb NOT NULL DEFAULT '{}',
        doubtful boolean NOT NULL DEFAULT false,
        alarm text,
        sound bytea CHECK (octet_length(sound) <= 400000),
        measured_at timestamptz NOT NULL,
        received_at timestamptz NOT NULL,
        PRIMARY KEY (key, spot)
      );
      CREATE TABLE instrument_spans (
        key text NOT NULL,
        spot text NOT NULL DEFAULT '',
        begins_at timestamptz NOT NULL,
        count integer NOT NULL CHECK (count > 0),
        least double precision NOT NULL,
        most double precision NOT NULL,
        mean double precision NOT NULL,
        PRIMARY KEY (key, spot, begins_at),
        CONSTRAINT in_order CHECK (least <= mean AND mean <= most)
      );
      CREATE INDEX instrument_spans_by_time ON instrument_spans (begins_at);
    SQL
  down { run "DROP TABLE instrument_spans, instruments" }
end
