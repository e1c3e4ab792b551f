# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The ways there are to deal with one finding, each with what it costs, how much work it is, how long it takes until the piece can be turned, and
    # what it risks. The trade's schools: none of them lifts a limit by being chosen.
    class RepairOptions
      # What a risk may speak of, and in what.
      AMOUNTS = { ml: "ml", gate: "%", g: "g", days: "days" }.freeze

      # defect, its share and the verdict on it (a symbol); water: the drying report, or nil.
      def initialize(defect, share, blank, verdict, water: nil)
        @defect = defect
        @share = share
        @blank = blank
        @verdict = verdict
        @water = water
        @table = Table["ways"]
      end

      # Rows of the table for a type of defect.
      def self.open_to(type) = (@open_to ||= {})[type] ||= Table.rows("ways").select { |row| row["of"].include?(type) }

      # What a risk speaks of: names of AMOUNTS.
      def self.spoken_of(text) = (@spoken_of ||= {})[text] ||= AMOUNTS.keys.select { |name| text.include?("{#{name}}") }

      # Plain data, the recommended way first: { key:, name:, cost:, hands_min:, wait_h:, risk:, values: [amount], advised:, chosen: }. Empty where the
      # form turns all of it away and nothing has to be done before.
      def to_a
        return [] if @verdict == :cut_away || (@defect.path? && @defect.mended?)

        rows.map { |row| way(row) }.sort_by { |way| way[:advised] ? 0 : 1 }
      end

      private

      def rows = RepairOptions.open_to(@defect.type).select { |row| fits?(row["key"]) }

      def fits?(key)
        case key
        when "cast" then @verdict == :cast || filler["key"] == "resin"
        when "dry_first" then !gate_pct.nil? && !@water.nil? && @water[:moisture_pct] > gate_pct
        when "remove_now" then @defect.type != "void" || @defect.detail[:contents] != "air"
        else true
        end
      end

      def advised_key = { stop: "remove_now" }.fetch(@verdict, @verdict.to_s)

      def way(row)
        key = row["key"]
        text, amounts = risk(key)
        { key: key, name: row["name"], cost: row["price"] + material(key), hands_min: row["hands_min"] + (row.fetch("min_per_ml", 0) * fill_ml),
          wait_h: wait_h(row), risk: text, values: amounts.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } },
          advised: key == advised_key, chosen: key == @defect.chosen }
      end

      # In the shop's currency.
      def material(key)
        case key
        when "fill" then fill_ml * filler["price_per_ml"]
        when "cast" then fill_ml * Table.rows("fillers").last["price_per_ml"]
        when "hold" then @table["glue"].then { |glue| glue["ml"] * glue["price_per_ml"] }
        when "soak" then soak_g * @table["soak"]["price_per_g"]
        else 0.0
        end
      end

      # Hours until it can be turned; nil where this air never gets it there.
      def wait_h(row)
        case row["key"]
        when "fill" then filler["ready_min"] / 60.0
        when "dry_first" then days && (days * 24)
        else row["wait_h"]
        end
      end

      def risk(key)
        texts = @table["risks"][key]
        return [texts["food"], {}] if key == "leave" && texts.key?("food") && unclean?
        return [texts["never"], {}] if key == "dry_first" && days.nil?

        text = texts[@defect.type] || texts["any"]
        [text.sub("{filler}", filler["name"]), RepairOptions.spoken_of(text).to_h { |name| [name, [amount(name), AMOUNTS[name]]] }]
      end

      def amount(name)
        case name
        when :ml then @defect.open? ? fill_ml : @share.occupied_mm3 * (1 - @share.removed_share) / 1000
        when :gate then gate_pct
        when :g then soak_g
        else days
        end
      end

      def fill_ml = @fill_ml ||= @share.to_fill_mm3 / 1000
      def filler = @filler ||= Filling.filler_of(@defect, moisture_pct: @water&.fetch(:moisture_pct))
      def unclean? = %w[food wet].include?(@blank.form&.use) && (@defect.open? || @defect.type == "bark_inclusion") && @share.reaches_surface?

      # Moisture in % that what is put in takes.
      def gate_pct = @gate_pct ||= @defect.type == "soft_zone" ? Table.rows("gates").find { |row| row["key"] == "stabilise" }["at_most_pct"] : filler["dry_to_pct"]

      def days
        return @days if defined?(@days)
        return @days = nil unless @water

        target = @water[:targets].select { |row| row[:at_most_pct] >= gate_pct }.min_by { |row| row[:at_most_pct] }
        @days = target && target[:days]
      end

      # g of resin that what stays of it takes up: room in the wood, of which a share is filled.
      def soak_g
        wood_ml = @share.occupied_mm3 * (1 - @share.removed_share) / 1000
        density = @defect.path? ? @blank.material.density_kg_m3 : @defect.density_kg_m3(@blank.material.dry_density_kg_m3)
        wood_ml * [1 - (density / 1500.0), 0].max * @table["soak"]["resin_g_ml"] * @table["soak"]["share"]
      end
    end
  end
end
