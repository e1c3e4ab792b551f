# frozen_string_literal: true

# The shop, its lathes, and its blanks with defects, form, readings and journal.
# Limits are named and repeated here, so that a fault in the program cannot store nonsense.
# `x <= limit` also keeps out NaN and Infinity: PostgreSQL sorts both above every number.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE shop (
        id integer PRIMARY KEY DEFAULT 1,
        name text NOT NULL,
        currency text NOT NULL,
        temperature_c double precision NOT NULL,
        humidity double precision NOT NULL,
        CONSTRAINT one_shop CHECK (id = 1),
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 120),
        CONSTRAINT valid_currency CHECK (currency ~ '^[A-Z]{3}$'),
        CONSTRAINT valid_air CHECK (temperature_c BETWEEN -20 AND 60 AND humidity BETWEEN 0.02 AND 0.98)
      );

      CREATE TABLE lathes (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        name text NOT NULL UNIQUE,
        mass_kg double precision NOT NULL,
        ballast_kg double precision NOT NULL DEFAULT 0,
        stand text NOT NULL,
        swing_mm double precision NOT NULL,
        between_centres_mm double precision NOT NULL,
        belts jsonb NOT NULL,
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 120),
        CONSTRAINT valid_mass CHECK (mass_kg >= 1 AND mass_kg <= 20000 AND ballast_kg >= 0 AND ballast_kg <= 20000),
        CONSTRAINT valid_stand CHECK (stand IN ('light', 'floor', 'bolted')),
        CONSTRAINT valid_reach CHECK (swing_mm > 0 AND swing_mm <= 5000 AND between_centres_mm > 0 AND between_centres_mm <= 5000),
        CONSTRAINT valid_belts CHECK (jsonb_typeof(belts) = 'array' AND jsonb_array_length(belts) BETWEEN 1 AND 8)
      );

      CREATE TABLE blanks (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        version integer NOT NULL DEFAULT 1,
        number integer UNIQUE,
        name text NOT NULL,
        kind text NOT NULL,
        species text NOT NULL,
        "character" text[],
        density_kg_m3 double precision NOT NULL,
        moisture_pct double precision NOT NULL,
        grain text NOT NULL,
        grain_clock_deg double precision,
        shape_type text NOT NULL,
        diameter_mm double precision,
        width_mm double precision,
        height_mm double precision,
        length_mm double precision,
        stations jsonb,
        offset_x_mm double precision,
        offset_y_mm double precision,
        lathe_id bigint REFERENCES lathes,
        ready boolean NOT NULL,
        note text NOT NULL,
        wait_started_at timestamptz,
        wait_ends_at timestamptz,
        created_at timestamptz NOT NULL DEFAULT now(),
        updated_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT valid_version CHECK (version >= 1),
        CONSTRAINT valid_number CHECK (number BETWEEN 1 AND 999999),
        CONSTRAINT valid_name CHECK (char_length(name) BETWEEN 1 AND 120),
        CONSTRAINT valid_kind CHECK (kind IN ('wood', 'hybrid', 'resin', 'non_wood')),
        CONSTRAINT valid_species CHECK (char_length(species) BETWEEN 1 AND 120),
        CONSTRAINT valid_stock CHECK (density_kg_m3 >= 20 AND density_kg_m3 <= 3000 AND moisture_pct >= 0 AND moisture_pct <= 250),
        CONSTRAINT valid_grain CHECK (grain IN ('face', 'end', 'burl', 'none') AND (grain <> 'face' OR grain_clock_deg IS NOT NULL)),
        CONSTRAINT valid_grain_angle CHECK (grain_clock_deg BETWEEN -360 AND 720),
        CONSTRAINT valid_disc CHECK (shape_type <> 'disc' OR (diameter_mm IS NOT NULL AND length_mm IS NOT NULL)),
        CONSTRAINT valid_block CHECK (shape_type <> 'block' OR (width_mm IS NOT NULL AND height_mm IS NOT NULL AND length_mm IS NOT NULL)),
        CONSTRAINT valid_outline CHECK (shape_type <> 'outline' OR jsonb_typeof(stations) = 'array'),
        CONSTRAINT valid_shape_type CHECK (shape_type IN ('disc', 'block', 'outline')),
        CONSTRAINT valid_sizes CHECK (
          (diameter_mm > 0 AND diameter_mm <= 5000 OR diameter_mm IS NULL) AND (width_mm > 0 AND width_mm <= 5000 OR width_mm IS NULL) AND
          (height_mm > 0 AND height_mm <= 5000 OR height_mm IS NULL) AND (length_mm > 0 AND length_mm <= 5000 OR length_mm IS NULL)),
        CONSTRAINT valid_offset CHECK (offset_x_mm BETWEEN -2000 AND 2000 AND offset_y_mm BETWEEN -2000 AND 2000 AND (offset_x_mm IS NULL) = (offset_y_mm IS NULL)),
        CONSTRAINT valid_wait CHECK ((wait_started_at IS NULL) = (wait_ends_at IS NULL) AND wait_ends_at >= wait_started_at)
      );

      CREATE TABLE defects (
        blank_id bigint NOT NULL REFERENCES blanks ON DELETE CASCADE,
        position integer NOT NULL,
        ref text NOT NULL,
        type text NOT NULL,
        enters text,
        path jsonb,
        depth_mm double precision,
        width_mm double precision,
        through boolean,
        mend text,
        clock_deg double precision,
        r_mm double precision,
        z_mm double precision,
        radial_mm double precision,
        tangential_mm double precision,
        axial_mm double precision,
        contents text,
        grade text,
        hole_diameter_mm double precision,
        holes_per_cm2 double precision,
        bonded_share double precision,
        made_of text,
        density_kg_m3 double precision,
        PRIMARY KEY (blank_id, position),
        UNIQUE (blank_id, ref),
        CONSTRAINT valid_position CHECK (position >= 0 AND position < 200),
        CONSTRAINT valid_ref CHECK (ref ~ '^[A-Za-z0-9_-]{1,40}$'),
        CONSTRAINT valid_type CHECK (type IN ('crack', 'void', 'soft_zone', 'galleries', 'bark_inclusion', 'loose_piece', 'hard_inclusion', 'resin_body')),
        CONSTRAINT valid_path CHECK (type NOT IN ('crack', 'bark_inclusion') OR
          (enters IN ('side', 'head_face', 'tail_face') AND enters IS NOT NULL AND jsonb_typeof(path) = 'array' AND path IS NOT NULL AND
           depth_mm > 0 AND depth_mm <= 5000 AND depth_mm IS NOT NULL AND width_mm >= 0 AND width_mm <= 500 AND width_mm IS NOT NULL)),
        CONSTRAINT valid_body CHECK (type IN ('crack', 'bark_inclusion') OR
          (clock_deg BETWEEN -360 AND 720 AND clock_deg IS NOT NULL AND r_mm >= 0 AND r_mm <= 5000 AND r_mm IS NOT NULL AND
           z_mm >= 0 AND z_mm <= 5000 AND z_mm IS NOT NULL AND radial_mm > 0 AND radial_mm <= 5000 AND radial_mm IS NOT NULL AND
           tangential_mm > 0 AND tangential_mm <= 5000 AND tangential_mm IS NOT NULL AND axial_mm > 0 AND axial_mm <= 5000 AND axial_mm IS NOT NULL)),
        CONSTRAINT valid_contents CHECK (type <> 'void' OR (contents IN ('air', 'dirt', 'bark', 'stone') AND contents IS NOT NULL)),
        CONSTRAINT valid_grade CHECK (type <> 'soft_zone' OR (grade IN ('firm', 'soft', 'spongy') AND grade IS NOT NULL)),
        CONSTRAINT valid_holes CHECK (type <> 'galleries' OR
          (hole_diameter_mm > 0 AND hole_diameter_mm <= 30 AND hole_diameter_mm IS NOT NULL AND holes_per_cm2 > 0 AND holes_per_cm2 <= 100 AND holes_per_cm2 IS NOT NULL)),
        CONSTRAINT valid_bond CHECK (type <> 'loose_piece' OR (bonded_share BETWEEN 0 AND 1 AND bonded_share IS NOT NULL)),
        CONSTRAINT valid_hard CHECK (type <> 'hard_inclusion' OR (made_of IN ('stone', 'metal', 'knot') AND made_of IS NOT NULL)),
        CONSTRAINT valid_resin CHECK (type <> 'resin_body' OR (density_kg_m3 >= 300 AND density_kg_m3 <= 3000 AND density_kg_m3 IS NOT NULL))
      );

      CREATE TABLE forms (
        blank_id bigint PRIMARY KEY REFERENCES blanks ON DELETE CASCADE,
        kind text NOT NULL,
        opens text NOT NULL,
        curve text NOT NULL,
        outside jsonb NOT NULL,
        inside jsonb,
        CONSTRAINT valid_kind CHECK (kind IN ('bowl', 'platter', 'hollow_form', 'box', 'spindle', 'disc', 'knob')),
        CONSTRAINT valid_opens CHECK (opens IN ('tail', 'head')),
        CONSTRAINT valid_curve CHECK (curve IN ('smooth', 'straight')),
        CONSTRAINT valid_curves CHECK (jsonb_array_length(outside) BETWEEN 2 AND 200 AND (inside IS NULL OR jsonb_array_length(inside) BETWEEN 2 AND 200))
      );

      CREATE TABLE readings (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        blank_id bigint NOT NULL REFERENCES blanks,
        kind text NOT NULL,
        value double precision NOT NULL,
        clock_deg double precision,
        z_mm double precision,
        r_mm double precision,
        depth_mm double precision,
        taken_at timestamptz NOT NULL,
        CONSTRAINT valid_moisture CHECK (kind <> 'moisture' OR
          (value >= 0 AND value <= 250 AND clock_deg BETWEEN -360 AND 720 AND clock_deg IS NOT NULL AND z_mm >= 0 AND z_mm <= 5000 AND z_mm IS NOT NULL AND
           depth_mm >= 0 AND depth_mm <= 1000 AND depth_mm IS NOT NULL)),
        CONSTRAINT valid_mass CHECK (kind <> 'mass' OR (value > 0 AND value <= 1000000)),
        CONSTRAINT valid_kind CHECK (kind IN ('moisture', 'mass'))
      );
      CREATE INDEX readings_of_blank ON readings (blank_id, taken_at, id);

      CREATE TABLE journal (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        blank_id bigint NOT NULL REFERENCES blanks,
        key uuid NOT NULL,
        kind text NOT NULL,
        stage text,
        speed_rpm double precision,
        note text NOT NULL DEFAULT '',
        logged_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT one_entry_a_key UNIQUE (blank_id, key),
        CONSTRAINT valid_kind CHECK (kind IN ('cut', 'mend', 'note')),
        CONSTRAINT valid_stage CHECK (stage IN ('blank', 'rounded', 'outside', 'hollowed')),
        CONSTRAINT valid_speed CHECK (speed_rpm > 0 AND speed_rpm <= 20000),
        CONSTRAINT valid_note CHECK (char_length(note) <= 2000)
      );
      CREATE INDEX journal_of_blank ON journal (blank_id, logged_at, id);

      -- What was read or logged stays: a correction is a new row.
      CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION '% is append-only: add a correction instead', TG_TABLE_NAME USING ERRCODE = 'integrity_constraint_violation';
      END $$;
      CREATE TRIGGER readings_append_only BEFORE UPDATE OR DELETE ON readings FOR EACH ROW EXECUTE FUNCTION refuse_change();
      CREATE TRIGGER journal_append_only BEFORE UPDATE OR DELETE ON journal FOR EACH ROW EXECUTE FUNCTION refuse_change();
    SQL

  down { run "DROP TABLE journal, readings, forms, defects, blanks, lathes, shop; DROP FUNCTION refuse_change()" }
end
