# frozen_string_literal: true

# Which tools the turner has, all there are where nothing is said, and the motor of a lathe.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE shop
        ADD COLUMN tools jsonb,
        ADD CONSTRAINT valid_tools CHECK (tools IS NULL OR (jsonb_typeof(tools) = 'array' AND jsonb_array_length(tools) <= 60));
      ALTER TABLE lathes
        ADD COLUMN power_w double precision,
        ADD CONSTRAINT valid_power CHECK (power_w IS NULL OR (power_w >= 50 AND power_w <= 20000));
    SQL
  down { run <<~SQL }
      ALTER TABLE shop DROP COLUMN tools;
      ALTER TABLE lathes DROP COLUMN power_w;
    SQL
end
