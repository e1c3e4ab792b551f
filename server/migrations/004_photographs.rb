# frozen_string_literal: true

# Photographs of a blank: the picture is never changed; what is said of it may be, and it may be put out of sight and
# brought back.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE photographs (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        blank_id bigint NOT NULL REFERENCES blanks ON DELETE CASCADE,
        sha256 text NOT NULL,
        bytes bytea NOT NULL,
        width_px integer NOT NULL,
        height_px integer NOT NULL,
        view text NOT NULL,
        caption text NOT NULL DEFAULT '',
        mm_per_share double precision,
        centre_x double precision,
        centre_y double precision,
        hidden boolean NOT NULL DEFAULT false,
        taken_at timestamptz NOT NULL DEFAULT date_trunc('second', now()),
        CONSTRAINT one_picture_once UNIQUE (blank_id, sha256),
        CONSTRAINT valid_sum CHECK (sha256 ~ '^[0-9a-f]{64}$'),
        CONSTRAINT valid_bytes CHECK (octet_length(bytes) BETWEEN 1 AND 8000000),
        CONSTRAINT valid_size CHECK (width_px BETWEEN 1 AND 2400 AND height_px BETWEEN 1 AND 2400),
        CONSTRAINT valid_view CHECK (view IN ('tail_face', 'head_face', 'other')),
        CONSTRAINT valid_caption CHECK (char_length(caption) <= 200),
        CONSTRAINT valid_scale CHECK ((mm_per_share IS NULL) = (centre_x IS NULL) AND (mm_per_share IS NULL) = (centre_y IS NULL) AND
          (mm_per_share IS NULL OR (mm_per_share > 0 AND mm_per_share <= 100000 AND centre_x BETWEEN -5 AND 5 AND centre_y BETWEEN -5 AND 5)))
      );
      CREATE INDEX photographs_of_blank ON photographs (blank_id, id);
    SQL

  down { run "DROP TABLE photographs" }
end
