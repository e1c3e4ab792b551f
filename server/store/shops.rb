# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The one shop this database belongs to.
      class Shops
        UNNAMED = { name: "Your shop", currency: "EUR", temperature_c: 20.0, humidity: 0.55 }.freeze

        TABLES = %w[
          instruments
          instrument_spans
          rehearsal_acts
          rehearsals
          played_odds
          practices
          work_plans
          attempts
          presences
          pairings
          devices
          account_authentication_audit_logs
          account_active_session_keys
          account_lockouts
          account_login_failures
          account_password_hashes
          account_otp_keys
          people
          task_files
          tasks
          patterns
          endings
          rates_off
          records_left_out
          records
          stock_moves
          reservations
          waits
          card_marks
          cards
          lots
          products
          search_parts
          searches
          sketches
          photographs
          journal
          readings
          forms
          defects
          blanks
          lathes
          shop
        ].freeze

        def initialize(db)
          @db = db
        end

        # { name:, currency:, temperature_c:, humidity: }
        def current = @db[:shop].first&.slice(:name, :currency, :temperature_c, :humidity) || UNNAMED

        def climate = MossyAnvil::Report::ShopClimate.new(**current.slice(:temperature_c, :humidity))

        # The same, which nobody else can change until the transaction ends.
        def lock_climate
          @db[:shop].for_update.first
          climate
        end

        def set_up(name:, currency:, temperature_c:, humidity:)
          row = { id: 1, name: name, currency: currency, temperature_c: temperature_c, humidity: humidity }
          @db[:shop].insert_conflict(target: :id, update: row).insert(row)
        end

        # Is it the invented one?
        def demo? = @db[:shop].get(:demo) || false

        def mark_as_demo = @db[:shop].update(demo: true)

        # A shop of one's own, to be named. The demo does not come into it.
        def begin_own = set_up(**UNNAMED)

        # Name and currency alone.
        def name_it(name:, currency:) = set_up(**current, name: name, currency: currency)

        # The air alone; a shop nobody has named yet is kept under its usual name.
        def set_air(temperature_c:, humidity:) = set_up(**current, temperature_c: temperature_c, humidity: humidity)

        # { key => how many } of the table of equipment; what was never said is as usual.
        def equipment
          usual = MossyAnvil::Report::BoardReport.usual_counts
          usual.merge(Rows.data(@db[:shop].get(:equipment) || {}).slice(*usual.keys))
        end

        # A shop nobody has named yet is kept under its usual name.
        def equip(counts)
          set_up(**current) if @db[:shop].empty?
          @db[:shop].update(equipment: Sequel.pg_jsonb_wrap(counts))
        end

        # Keys of the turner's own tools; nil where nothing is said: all there are.
        def tools = Rows.data(@db[:shop].get(:tools))

        # A shop nobody has named yet is kept under its usual name.
        def take_tools(keys)
          set_up(**current) if @db[:shop].empty?
          @db[:shop].update(tools: keys && Sequel.pg_jsonb_wrap(keys))
        end

        def keep_lathe(name, lathe)
          @db[:lathes].insert_conflict(target: :name).insert(**Rows.lathe("lathe" => lathe), name: name)
        end

        # Lathes by name, as in a blank file.
        def lathes = @db[:lathes].order(:name).to_h { |row| [row[:name], KeptDocument.lathe_of(row)] }

        def empty? = Blanks.new(@db).real.empty?

        # Has nobody set it up, and put nothing in?
        def untouched? = empty? && @db[:shop].empty?

        # What is kept, by what it is called.
        def counts
          {
            "blanks" => :blanks,
            "readings" => :readings,
            "journal entries" => :journal,
            "photographs" => :photographs,
            "lathes" => :lathes,
            "products" => :products
          }.transform_values { |table| @db[table].count }
        end

        # Throws everything away.
        def clear
          @db.run("TRUNCATE #{TABLES.join(", ")} RESTART IDENTITY")
        end
      end
    end
  end
end
