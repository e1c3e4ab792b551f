# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The story of a piece: what the core tells of it, what happened to it in the shop, and what became of it.
      class Story
        include Store::Access

        # told: what StoryReport says of its document, string-keyed. now: Time.
        def initialize(db, blank_id, told, now:)
          @db = db
          @id = blank_id
          @told = told
          @now = now
        end

        # Plain data.
        def to_h
          {
            told: @told,
            planned_h: hours({}).values.sum,
            days: days,
            materials: materials,
            incidents: incidents,
            done: done,
            speeds: speeds,
            pictures: pictures,
            ending:
              ending && MossyAnvil::Report::LedgerReport.new([ending.merge(named)]).to_h[:pieces].first.merge(more),
            suggested: suggested
          }
        end

        # Columns of the ledger beside what is said of the ending.
        def columns
          {
            **@told.slice("stuff", "stock_kind", "form_kind", "origin", "trouble", "largest_mm").transform_keys(
              &:to_sym
            ),
            planned_h: hours({}).values.sum.then { |planned| planned.positive? ? planned : nil },
            started_on: days[:started_on]
          }
        end

        private

        def pictures = BeforeAndAfter.new(photographs, @id).then { |two| { **two.shown, widths: two.widths } }

        def ledger = @ledger ||= Store::Ledger.new(@db)
        def ending = @ending ||= ledger.of(@id)
        def named = @db[:blanks].where(id: @id).select(:number, :name).first
        def more = ending.slice(:hours, :rate, :planned_h)
        def steps = @steps ||= @told["steps"].map { |step| step.transform_keys(&:to_sym) }
        def hours(measured) = MossyAnvil::Shop::Ending.hours(steps, measured)
        def cards_of =
          @cards_of ||= @db[:cards].where(blank_id: @id).order(:started_at).select_map(:id).map { |id| cards.find(id) }

        # The first and the last day anything is known of.
        def days
          seen = [
            @told["got_on"] && Date.iso8601(@told["got_on"]),
            *@db[:journal].where(blank_id: @id).select_map(:logged_at).map { |at| at.utc.to_date },
            *@db[:readings].where(blank_id: @id).select_map(:taken_at).map { |at| at.utc.to_date },
            *done.filter_map { |one| one[:on] && Date.iso8601(one[:on]) }
          ].compact
          { started_on: seen.min&.iso8601, last_on: seen.max&.iso8601 }
        end

        # Steps of the route that are done, with their days.
        def done
          @done ||=
            begin
              marks =
                ((blanks.find(@id)[:document]["route"] || {})["done"] || []).to_h do |mark|
                  mark.values_at("step", "on")
                end
              steps
                .select { |step| step[:done] }
                .map { |step| { **step.slice(:id, :name, :stretch, :hands_min), on: marks[step[:id]] } }
            end
        end

        # What its cards drew from the shelf, by product.
        def materials
          @materials ||=
            moves_of_cards
              .group(Sequel[:products][:id])
              .select(Sequel[:products][:name], :pack_g, :pack_price)
              .select_append { (sum(:grams) * -1).as(:grams) }
              .order(Sequel[:products][:name])
              .all
              .select { |row| row[:grams].positive? }
              .map { |row| { **row.slice(:name, :grams), cost: cost(row) } }
        end

        def cost(row) = row[:grams] / row[:pack_g] * row[:pack_price]

        def moves_of_cards
          @db[:stock_moves]
            .join(:cards, id: :card_id)
            .join(:lots, id: Sequel[:stock_moves][:lot_id])
            .join(:products, id: Sequel[:lots][:product_id])
            .where(Sequel[:cards][:blank_id] => @id)
        end

        # What happened at a card, in its order.
        def incidents
          cards_of
            .flat_map do |card|
              card[:marks].select { |mark| mark[:kind] == "trouble" }.map { |mark| incident(card, mark) }
            end
            .sort_by { |one| one[:at] }
        end

        def incident(card, mark)
          step = card[:steps].find { |one| one["lines"].any? { |line| line["key"] == mark[:line] } }
          {
            at: mark[:marked_at].utc.iso8601,
            step: step && step["name"],
            trouble: Store::Rows.data(mark[:found])["trouble"]
          }
        end

        # Minutes that were written down, by step.
        def measured
          cards_of.each_with_object({}) do |card, found|
            view = CardView.new(card, @now)
            card[:steps].each do |step|
              minutes = view.measures(step["id"])["took_min"]
              found[step["id"]] = minutes if minutes
            end
          end
        end

        # Highest speed that was logged at each stage.
        def speeds =
          @db[:journal]
            .where(blank_id: @id)
            .exclude(speed_rpm: nil)
            .group(:stage)
            .select(:stage)
            .select_append { max(:speed_rpm).as(:most_rpm) }
            .order(:stage)
            .all

        # What an ending would say without a word from the turner.
        def suggested
          about = {
            hours: hours(measured),
            blank_cost: @told["blank_cost"],
            materials_cost: materials.sum { |row| row[:cost] }
          }
          rate = @told["rate"] || ledger.last_rate || 0.0
          cost = MossyAnvil::Shop::Ending.new(outcome: "done", rate: rate, **about).cost
          { **about, rate: rate, price_help: MossyAnvil::Shop::PriceHelp.new(cost, similar, sound: sound).to_h }
        end

        # Chance of it as it stands, where that was played and it is not done yet.
        def sound =
          ending ? nil : Store::Odds.new(@db).of(@id)&.then { |odds| odds[:told]["sound"]["share"] if odds[:now] }

        def similar
          return [] unless @told["form_kind"]

          ledger.fetched(**@told.slice("stock_kind", "form_kind", "largest_mm").transform_keys(&:to_sym), except: @id)
        end
      end
    end
  end
end
