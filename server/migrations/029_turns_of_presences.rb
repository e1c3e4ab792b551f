# frozen_string_literal: true

# Of two things that a tab says, the later counts, whichever comes first: its turn. A tab that has gone is kept for a
# while, at no blank, so that nothing it said before brings it back.
Sequel.migration do
  up { run <<~SQL }
      ALTER TABLE presences ALTER COLUMN blank_id DROP NOT NULL, ADD COLUMN turn integer NOT NULL DEFAULT 0;
      DROP TRIGGER tell ON presences;

      CREATE FUNCTION tell_of_presence() RETURNS trigger LANGUAGE plpgsql AS $$
      DECLARE
        about bigint;
      BEGIN
        -- One that is merely still there is no news.
        IF TG_OP = 'UPDATE' AND OLD.blank_id IS NOT DISTINCT FROM NEW.blank_id AND OLD.person IS NOT DISTINCT FROM NEW.person
        THEN RETURN NULL; END IF;
        FOREACH about IN ARRAY ARRAY[
          CASE WHEN TG_OP <> 'INSERT' THEN OLD.blank_id END, CASE WHEN TG_OP <> 'DELETE' THEN NEW.blank_id END
        ] LOOP
          CONTINUE WHEN about IS NULL;
          PERFORM pg_notify('changes', json_build_object('what', 'here', 'blank', about)::text);
        END LOOP;
        RETURN NULL;
      END $$;

      CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON presences
        FOR EACH ROW EXECUTE FUNCTION tell_of_presence();
    SQL

  down { run <<~SQL }
      DROP TRIGGER tell ON presences;
      DROP FUNCTION tell_of_presence;
      DELETE FROM presences WHERE blank_id IS NULL;
      ALTER TABLE presences ALTER COLUMN blank_id SET NOT NULL, DROP COLUMN turn;
      CREATE TRIGGER tell AFTER INSERT OR UPDATE OF blank_id, person OR DELETE ON presences
        FOR EACH ROW EXECUTE FUNCTION tell_of_blank('here');
    SQL
end
