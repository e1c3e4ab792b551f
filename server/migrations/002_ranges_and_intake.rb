# frozen_string_literal: true

# Version 2 of the blank file: where a blank came from, how a depth was found and its range, bubble pockets and
# delaminations.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE blanks
        ADD COLUMN origin text,
        ADD COLUMN cost double precision,
        ADD COLUMN got_on date,
        ADD COLUMN bark text,
        ADD CONSTRAINT valid_origin CHECK (char_length(origin) BETWEEN 1 AND 200),
        ADD CONSTRAINT valid_cost CHECK (cost >= 0 AND cost <= 1000000),
        ADD CONSTRAINT valid_bark CHECK (bark IN ('on', 'part', 'off'));

      ALTER TABLE defects
        ADD COLUMN found_on date,
        ADD COLUMN found_by text,
        ADD COLUMN depth_least_mm double precision,
        ADD COLUMN depth_most_mm double precision,
        ADD COLUMN bubble_diameter_mm double precision,
        ADD COLUMN bubbles_per_cm3 double precision,
        DROP CONSTRAINT valid_type, DROP CONSTRAINT valid_path, DROP CONSTRAINT valid_body,
        ADD CONSTRAINT valid_type CHECK (type IN
          ('crack', 'void', 'soft_zone', 'galleries', 'bark_inclusion', 'loose_piece', 'hard_inclusion', 'resin_body', 'bubble_pocket', 'delamination')),
        ADD CONSTRAINT valid_path CHECK (type NOT IN ('crack', 'bark_inclusion', 'delamination') OR
          (enters IN ('side', 'head_face', 'tail_face') AND enters IS NOT NULL AND jsonb_typeof(path) = 'array' AND path IS NOT NULL AND
           depth_mm > 0 AND depth_mm <= 5000 AND depth_mm IS NOT NULL AND width_mm >= 0 AND width_mm <= 500 AND width_mm IS NOT NULL)),
        ADD CONSTRAINT valid_body CHECK (type IN ('crack', 'bark_inclusion', 'delamination') OR
          (clock_deg BETWEEN -360 AND 720 AND clock_deg IS NOT NULL AND r_mm >= 0 AND r_mm <= 5000 AND r_mm IS NOT NULL AND
           z_mm >= 0 AND z_mm <= 5000 AND z_mm IS NOT NULL AND radial_mm > 0 AND radial_mm <= 5000 AND radial_mm IS NOT NULL AND
           tangential_mm > 0 AND tangential_mm <= 5000 AND tangential_mm IS NOT NULL AND axial_mm > 0 AND axial_mm <= 5000 AND axial_mm IS NOT NULL)),
        ADD CONSTRAINT valid_found_by CHECK (found_by IN ('seen', 'feeler', 'guessed')),
        ADD CONSTRAINT valid_range CHECK ((depth_least_mm IS NULL) = (depth_most_mm IS NULL) AND
          (depth_least_mm IS NULL OR (depth_least_mm > 0 AND depth_most_mm <= 5000 AND depth_mm BETWEEN depth_least_mm AND depth_most_mm))),
        ADD CONSTRAINT valid_bubbles CHECK (type <> 'bubble_pocket' OR
          (bubble_diameter_mm > 0 AND bubble_diameter_mm <= 30 AND bubble_diameter_mm IS NOT NULL AND
           bubbles_per_cm3 > 0 AND bubbles_per_cm3 <= 1000 AND bubbles_per_cm3 IS NOT NULL));
    SQL

  down { raise Sequel::Error, "what version 2 keeps cannot be put back into version 1" }
end
