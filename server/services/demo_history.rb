# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Two years of invented work of the demo shop: closed pieces in the ledger, and what the shop learnt on the way.
      # All of it is drawn from a seed, so that it is the same every time, only its dates move with today.
      class DemoHistory
        SEED, PIECES, DAYS, RECENT_DAYS = 20, 61, 730, 20
        # The first so many have a number on the wood.
        NUMBERED = 30
        # An hour of the shop's.
        RATE = 14.0
        # How often a piece ends how, of a hundred.
        OUTCOMES = { "sold" => 56, "done" => 12, "given_away" => 9, "kept_back" => 7, "given_up" => 16 }.freeze
        # Where pieces are given up, and what is said then.
        FAILED = {
          "hollow" => [
            "The check ran through the wall.",
            "Cut into a pocket nobody had seen.",
            "Caught it at the rim."
          ],
          "dry" => ["Opened from the heart outwards while it dried.", "Cast too far to be turned round again."],
          "cast" => ["The resin set in half an hour and cracked.", "Leaked from the mould overnight."],
          "outside" => ["A stone under the bark took the edge off and the piece with it."]
        }.freeze
        LESSONS = [
          "Fill the check before the outside, not after.",
          "Seal the spongy side twice before the oil.",
          "Leave the wall a millimetre thicker where galleries are.",
          "The ring wants to be glued from both sides.",
          "Weigh it twice a week in the first month.",
          nil,
          nil,
          nil
        ].freeze
        # What is made: number of the demo's blank it is like, names, what it is of, and its usual hours and price.
        MAKES = [
          {
            like: 32,
            names: ["Fruit bowl", "Bread bowl", "Key bowl", "Bowl with a gap"],
            of: %w[hornbeam lime ash cherry],
            hours: 3.5,
            price: 110
          },
          { like: 33, names: ["Lamp base", "Tall vase", "Hollow form"], of: %w[yew lime oak], hours: 5.5, price: 190 },
          { like: 34, names: ["Tea jar", "Salt jar", "Lidded box"], of: %w[rowan apple cherry], hours: 3.0, price: 85 },
          { like: 36, names: ["Turntable", "Serving disc"], of: %w[hornbeam elm], hours: 5.0, price: 160 },
          { like: 38, names: ["Bell handle", "Drawer pull", "Cleat handle"], of: nil, hours: 1.6, price: 38 },
          { like: 40, names: ["Latch knob", "Drawer knob"], of: nil, hours: 1.2, price: 26 },
          { like: 42, names: ["Pull-cord end", "Toggle"], of: nil, hours: 0.9, price: 22 },
          { like: 39, names: ["Hall platter", "Cheese board"], of: %w[apple elm ash], hours: 4.5, price: 140 }
        ].freeze
        ORIGINS = [
          "the avenue by the sea wall",
          "a storm-felled garden tree",
          "the ferry house",
          "firewood stack",
          "swapped"
        ].freeze
        SHARES = { survey: 0.12, mend: 0.22, turn: 0.38, finish: 0.28 }.freeze
        # What the shop's work showed against the tables: kind, what of, how many times, its middle and its spread.
        RECORDS = [
          ["cutting_factor", "hollow", 14, 1.28, 0.12],
          ["cutting_factor", "outside", 17, 0.92, 0.1],
          ["cutting_factor", "true_up", 9, 1.05, 0.15],
          ["sanding_factor", nil, 16, 1.15, 0.14],
          ["soak_factor", "drying_oil", 12, 0.85, 0.1],
          ["coat_time_factor", "drying_oil", 11, 1.4, 0.12],
          ["drying_factor", "apple", 6, 1.35, 0.1],
          ["drying_factor", "hornbeam", 8, 1.22, 0.1],
          ["cure_factor", "casting_epoxy_deep", 5, 1.12, 0.08]
        ].freeze

        # blanks: demo documents by number. now: Time.
        def initialize(db, blanks, now:)
          @db = db
          @blanks = blanks
          @now = now
        end

        def write
          PIECES.times { |index| piece(index, MossyAnvil::Rehearsal::Draws.new(SEED, index)) }
          RECORDS.each_with_index do |about, index|
            record(about, MossyAnvil::Rehearsal::Draws.new(SEED, PIECES + index))
          end
        end

        private

        def pick(list, share) = list[(share * list.size).floor]

        # Older ones first, evenly over the days.
        def ended_on(index) = @now.to_date - (DAYS - ((DAYS - RECENT_DAYS) * (index + 0.5) / PIECES)).round

        def piece(index, draws)
          make = pick(MAKES, draws.share("make"))
          document = document(index, make, draws)
          kept = Store::Blanks.new(@db).take_in(document, Brief::UNKNOWN)
          row = row(index, make, document, draws)
          @db[:blanks].where(id: kept[:id]).update(put_away_at: row[:ended_on].to_time.utc)
          Store::Ledger.new(@db).close(kept[:id], row, row[:ended_on].to_time.utc)
        end

        def document(index, make, draws)
          like = @blanks.fetch(make[:like])
          stuff = make[:of] && pick(make[:of], draws.share("stuff"))
          began = ended_on(index) - days(make, draws)
          {
            **like.slice("format", "version", "shape", "form", "material", "centres").compact,
            **(index < NUMBERED ? { "number" => index + 1 } : {}),
            "name" => pick(make[:names], draws.share("name")),
            "material" => {
              **like["material"],
              **(stuff ? { "species" => stuff } : {})
            },
            "intake" => {
              "origin" => pick(ORIGINS, draws.share("origin")),
              "cost" => draws.triangular("cost", 0, 6, 30).round,
              "got_on" => began.iso8601
            },
            "defects" => draws.share("sound") < 0.2 ? [] : like["defects"]
          }
        end

        def days(make, draws) = draws.lognormal("days", make[:hours] * 14, 0.5).clamp(3, 400).round

        def row(index, make, document, draws)
          outcome = outcome(draws.share("outcome"))
          planned = draws.lognormal("planned", make[:hours], 0.25)
          took = planned * draws.lognormal("took", 1.12, 0.22) * (outcome == "given_up" ? 0.5 : 1)
          {
            outcome: outcome,
            ended_on: ended_on(index),
            started_on: Date.iso8601(document["intake"]["got_on"]),
            price: outcome == "sold" ? price(make, document, draws) : nil,
            blank_cost: document["intake"]["cost"].to_f,
            materials_cost: draws.triangular("materials", 0.5, 4, 28).round(2),
            rate: RATE,
            **hours(took, draws),
            planned_h: planned.round(2),
            **said(outcome, draws),
            **about(document, draws)
          }
        end

        def hours(took, draws)
          SHARES.to_h do |kind, share|
            [:"#{kind}_h", (took * share * draws.lognormal("#{kind} share", 1, 0.2)).round(2)]
          end
        end

        def outcome(share)
          left = share * 100
          OUTCOMES.each { |key, of| (left -= of).negative? and return key }
          OUTCOMES.keys.last
        end

        # What was mended well sells a little better than what was left as it was.
        def price(make, document, draws)
          liked = document["defects"].empty? ? 1.0 : 1.15
          (draws.lognormal("price", make[:price] * liked, 0.18) / 5).round * 5.0
        end

        def said(outcome, draws)
          unless outcome == "given_up"
            return { why: nil, failed_at: nil, lessons: pick(LESSONS, draws.share("lesson")) }
          end

          at = pick(FAILED.keys, draws.share("failed"))
          { why: pick(FAILED[at], draws.share("why")), failed_at: at, lessons: pick(LESSONS, draws.share("lesson")) }
        end

        def about(document, draws)
          blank = Reckoner.blank(document)
          low, high = blank.form.z_span_mm
          {
            stuff: blank.material.species,
            stock_kind: blank.material.kind,
            form_kind: blank.form.kind,
            origin: document["intake"]["origin"],
            trouble: trouble(document, draws),
            largest_mm: [2 * blank.form.outside.largest_mm, high - low].max
          }
        end

        def trouble(document, draws)
          return "none" if document["defects"].empty?

          draws.share("mended") < 0.7 ? "mended" : "kept"
        end

        def record((kind, of, count, middle, spread), draws)
          count.times do |number|
            day = @now.to_date - (DAYS * (1 - ((number + 0.5) / count))).round - 1
            value = draws.lognormal("#{kind} #{of} #{number}", middle, spread).round(3)
            @db[:records].insert(kind: kind, of: of, value: value, recorded_at: day.to_time.utc)
          end
        end
      end
    end
  end
end
