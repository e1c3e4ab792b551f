# frozen_string_literal: true

# Version 6 of the blank file: a casting says where the wood lies in its mould, no longer only how far off the middle.
Sequel.migration do
  up { run <<~SQL }
      UPDATE blanks SET mend = jsonb_set(mend, '{steps}', (
        SELECT jsonb_agg(CASE WHEN step ? 'offset_mm' THEN (step - 'offset_mm') || jsonb_build_object('placed', jsonb_build_object('x_mm', step->'offset_mm')) ELSE step END ORDER BY place)
        FROM jsonb_array_elements(mend->'steps') WITH ORDINALITY AS own(step, place)))
      WHERE mend @? '$.steps[*].offset_mm';
    SQL

  down { raise Sequel::Error, "what version 6 keeps cannot be put back into version 5" }
end
