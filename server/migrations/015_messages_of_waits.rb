# frozen_string_literal: true

# A wait keeps the message of its line instead of an English sentence, and a key for what it leads to.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE waits ADD COLUMN message jsonb;
      UPDATE waits SET message = jsonb_build_object('key', 'text', 'amounts', jsonb_build_object('text', jsonb_build_object('value', reason, 'unit', 'text')));
      ALTER TABLE waits ALTER COLUMN message SET NOT NULL, DROP COLUMN reason;
      UPDATE waits SET unlocks = CASE unlocks
        WHEN 'dry enough for what follows' THEN 'dry_enough' WHEN 'ready to turn' THEN 'turn' WHEN 'food, water, finish' THEN 'food_and_finish'
        WHEN 'finish, food, heat' THEN 'food_and_finish' WHEN 'it may be turned over' THEN 'turn_over' WHEN 'clamps off' THEN 'clamps_off'
        WHEN 'cured through' THEN 'cured' WHEN 'the rest may be poured' THEN 'pour_rest'
        WHEN 'what follows; demoulding is counted from here' THEN 'demould_from_here' WHEN 'the next layer' THEN 'next_layer'
        WHEN 'demoulding' THEN 'demould' WHEN 'the hold' THEN 'hold' WHEN 'letting it cool' THEN 'cool' END;
    SQL
  down { raise Sequel::Error, "the sentences of waits are gone" }
end
