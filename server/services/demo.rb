# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The invented demo shop, Tern Quay: put into an empty database with its dates moved so that the day
      # it was written for is today.
      class Demo
        FOLDER = File.join(ROOT, "demo")
        DAY_S = 86_400

        # now: Time.
        def initialize(db, now:)
          @db = db
          @shops = Store::Shops.new(db)
          @blanks = Store::Blanks.new(db)
          @photographs = Store::Photographs.new(db)
          @pictures =
            YAML.safe_load_file(File.join(FOLDER, "photographs", "photographs.yaml")).group_by { |row| row["number"] }
          @shop = YAML.safe_load_file(File.join(FOLDER, "shop.yaml"))
          @now = now
          @shift_s = (now.to_date - Date.parse(@shop["written_for"])).to_i * DAY_S
        end

        # Number of blanks put in; raises InvalidInput where a demo file is wrong. All or nothing.
        def load
          @db.transaction do
            @shops.set_up(**@shop["shop"].transform_keys(&:to_sym))
            @shops.mark_as_demo
            @shop["stores"].each { |product| shelve(product) }
            @shop["lathes"].each { |name, lathe| @shops.keep_lathe(name, lathe) }
            @shop["people"].each { |name, about| employ(name, about) }
            @shops.equip(@shop["equipment"])
            Dir[File.join(FOLDER, "*.anvil.json")]
              .each { |path| take_in(MossyAnvil::Formats::JsonText.parse(File.read(path))) }
              .size
          end
        end

        # The day goes on: what is done, cards that are being worked by, waits that run, what was given up put away.
        # After #load.
        def go_to_work
          @db.transaction do
            @shop["done"].each { |number, (step, day)| finish(number, step, day) }
            @shop["cards"].each { |number, about| work(number, about) }
            @shop["put_away"].each { |number| @blanks.place(id_of(number), true, @now) }
          end
        end

        # What it had made and learnt in the two years before. After #load.
        def remember
          documents =
            @blanks.ids.map { |id| @blanks.find(id)[:document] }.to_h { |document| [document["number"], document] }
          @db.transaction { DemoHistory.new(@db, documents, now: @now).write }
        end

        private

        def id_of(number) = @db[:blanks].where(number: number).get(:id)

        def finish(number, step, day)
          kept = @blanks.find(id_of(number))
          mark = moved_day({ "step" => step, "on" => day }, "on")
          document = kept[:document].merge("route" => { **kept[:document]["route"].to_h, "done" => [mark] })
          brief = Reckoner.new(@shops.climate, now: @now).brief(document)
          @blanks.save(kept[:id], kept[:version], document, brief)
        end

        # A card with so many lines ticked, each with its value where it asks for one, and what comes then begun.
        def work(number, about)
          begun = @now - (about["begun_h_ago"] * 3600)
          card = CardWork.new(@db, climate: @shops.climate, now: begun)
          opened = open_card(card, number, begun)
          lines = opened[:steps].flat_map { |step| step[:lines] }
          lines.first(about["ticked"]).each { |line| mark(card, opened[:id], line[:key], "done", about["values"]) }
          mark(card, opened[:id], lines[about["ticked"]][:key], "started", nil)
        end

        def open_card(card, number, begun)
          id = id_of(number)
          document = @blanks.find(id)[:document]
          plan = Reckoner.new(@shops.climate, now: begun).mend(document)
          card.open(id, Store::Stocks.key("card-#{number}"), document, JSON.parse(JSON.generate(plan)))
        end

        def mark(card, id, line, kind, values) =
          card.mark(
            id,
            {
              "key" => Store::Stocks.key("#{id}-#{line}-#{kind}"),
              "line" => line,
              "kind" => kind,
              "value" => values&.dig(line)
            }
          )

        # A product with its lots as bought on the day they were opened.
        def shelve(product)
          stocks = Store::Stocks.new(@db)
          id =
            stocks.add_product(
              **product.slice("name", "kind", "like", "pack_g", "pack_price").transform_keys(&:to_sym),
              sheet: product["sheet"] || {}
            )
          product["lots"].each_with_index do |lot, index|
            opened = Date.parse(lot["opened_on"]) + (@shift_s / DAY_S)
            stocks.add_lot(
              id,
              lot["grams"],
              Store::Stocks.key("#{product["name"]}-#{index}"),
              opened.to_time.utc,
              part: lot["part"],
              code: lot["code"],
              opened_on: opened
            )
          end
        end

        # spans: [[weekdays, from, to], ...], hours of those days.
        def employ(name, about)
          hours =
            about["hours"].flat_map do |days, from, to|
              days.map { |weekday| { "weekday" => weekday, "from_min" => from * 60, "to_min" => to * 60 } }
            end
          Store::People.new(@db).add("name" => name, "role" => about["role"], "hours" => hours)
        end

        def take_in(document)
          document = shifted(document)
          id = @blanks.take_in(document, Reckoner.new(@shops.climate, now: @now).brief(document))[:id]
          @shop["patterns"]
            .select { |_, number| number == document["number"] }
            .each_key { |name| keep_pattern(name, document["form"]) }
          add_to(id, document["number"])
        end

        # Its days and times moved to today.
        def shifted(document)
          document = document.merge("defects" => document["defects"].map { |defect| moved_day(defect, "found_on") })
          { "intake" => "got_on", "commission" => "due_on" }.each do |part, day|
            document = document.merge(part => moved_day(document[part], day)) if document[part]
          end
          return document unless document["readings"]&.any?

          readings = document["readings"].map { |one| one.merge("taken_at" => moved(one["taken_at"]).iso8601) }
          document.merge("readings" => readings)
        end

        def keep_pattern(name, form) = Store::Patterns.new(@db).add(name, Store::Patterns.pattern(form))

        # Journal and photographs of the blank of that number.
        def add_to(id, number)
          @shop["journal"].fetch(number, []).each_with_index { |entry, index| log(id, number, entry, index) }
          @pictures
            .fetch(number, [])
            .each do |about|
              @photographs.add(id, Picture.new(File.binread(File.join(FOLDER, "photographs", about["file"]))), about)
            end
        end

        def log(id, number, entry, index)
          @db[:journal].insert(
            blank_id: id,
            key: Store::Stocks.key("#{number}-#{index}"),
            logged_at: moved(entry["at"]),
            **entry.slice("kind", "stage", "speed_rpm", "note").transform_keys(&:to_sym)
          )
        end

        def moved_day(group, key) =
          group[key] ? group.merge(key => (Date.parse(group[key]) + (@shift_s / DAY_S)).iso8601) : group

        # A time of the demo, as many days from today as it is from the day it was written for; never ahead of now.
        def moved(text) = [Time.parse(text).utc + @shift_s, @now].min
      end
    end
  end
end
