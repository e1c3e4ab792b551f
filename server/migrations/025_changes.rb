# frozen_string_literal: true

# Word of every change goes out on the channel "changes": { what, blank }. And who looks at which blank just now.
Sequel.migration do
  # Tables whose rows are about a blank => what is told.
  of_a_blank = {
    "journal" => "blank",
    "readings" => "blank",
    "photographs" => "blank",
    "endings" => "ledger",
    "cards" => "card",
    "waits" => "card",
    "presences" => "here"
  }
  # Where not every change of a row is news.
  news = { "presences" => " OF blank_id, person", "devices" => " OF revoked_at" }
  of_the_shop = {
    "shop" => "shop",
    "lathes" => "shop",
    "people" => "people",
    "products" => "stores",
    "lots" => "stores",
    "stock_moves" => "stores",
    "records" => "rates",
    "records_left_out" => "rates",
    "rates_off" => "rates",
    "devices" => "devices"
  }

  up do
    run <<~SQL
      CREATE UNLOGGED TABLE presences (
        tab uuid PRIMARY KEY,
        person text,
        blank_id bigint NOT NULL REFERENCES blanks ON DELETE CASCADE,
        seen_at timestamptz NOT NULL
      );

      CREATE FUNCTION tell_of_blank() RETURNS trigger LANGUAGE plpgsql AS $$
      DECLARE
        own jsonb := to_jsonb(CASE WHEN TG_OP = 'DELETE' THEN OLD ELSE NEW END);
        about bigint := coalesce(own ->> 'blank_id', own ->> 'id')::bigint;
      BEGIN
        IF TG_TABLE_NAME = 'card_marks' THEN
          SELECT blank_id INTO about FROM cards WHERE id = (own ->> 'card_id')::bigint;
        END IF;
        PERFORM pg_notify('changes', json_build_object('what', TG_ARGV[0], 'blank', about)::text);
        RETURN NULL;
      END $$;

      CREATE FUNCTION tell_of_shop() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        PERFORM pg_notify('changes', json_build_object('what', TG_ARGV[0], 'blank', NULL)::text);
        RETURN NULL;
      END $$;

      CREATE TRIGGER tell AFTER INSERT OR UPDATE OF version, put_away_at, due_on OR DELETE ON blanks
        FOR EACH ROW EXECUTE FUNCTION tell_of_blank('blank');
      CREATE TRIGGER tell AFTER INSERT ON card_marks FOR EACH ROW EXECUTE FUNCTION tell_of_blank('card');
    SQL
    of_a_blank.each do |table, what|
      run "CREATE TRIGGER tell AFTER INSERT OR UPDATE#{news[table]} OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION tell_of_blank('#{what}')"
    end
    of_the_shop.each do |table, what|
      run "CREATE TRIGGER tell AFTER INSERT OR UPDATE#{news[table]} OR DELETE ON #{table} FOR EACH STATEMENT EXECUTE FUNCTION tell_of_shop('#{what}')"
    end
  end

  down do
    ["blanks", "card_marks", *of_a_blank.keys, *of_the_shop.keys].each { |table| run "DROP TRIGGER tell ON #{table}" }
    run "DROP FUNCTION tell_of_blank, tell_of_shop"
    run "DROP TABLE presences"
  end
end
