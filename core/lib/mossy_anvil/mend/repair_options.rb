# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The ways there are to deal with one defect, each with what it costs, how much work it is, how long it takes until
    # the piece can be turned, and what it risks. The trade's schools: none of them lifts a limit by being chosen.
    class RepairOptions
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

      # Plain data, the recommended way first: { key:, cost:, hands_min:, wait_h:, risk: message, advised:, chosen: }.
      # Empty where the form turns all of it away and nothing has to be done before.
      def to_a
        return [] if @verdict == :cut_away || (@defect.path? && @defect.mended?)

        rows.map { |row| way(row) }.sort_by { |way| way[:advised] ? 0 : 1 }
      end

      private

      def rows = RepairOptions.open_to(@defect.type).select { |row| fits?(row["key"]) }

      def fits?(key)
        case key
        when "cast"
          @verdict == :cast || filler["key"] == "resin"
        when "dry_first"
          !gate_pct.nil? && !@water.nil? && @water[:moisture_pct] > gate_pct
        when "remove_now"
          @defect.type != "void" || @defect.detail[:contents] != "air"
        else
          true
        end
      end

      def advised_key = { stop: "remove_now" }.fetch(@verdict, @verdict.to_s)

      def way(row)
        key = row["key"]
        {
          key: key,
          cost: row["price"] + material(key),
          hands_min: row["hands_min"] + (row.fetch("min_per_ml", 0) * fill_ml),
          wait_h: wait_h(row),
          risk: risk(key),
          advised: key == advised_key,
          chosen: key == @defect.chosen
        }
      end

      # In the shop's currency.
      def material(key)
        case key
        when "fill"
          fill_ml * filler["price_per_ml"]
        when "cast"
          fill_ml * Table.rows("fillers").last["price_per_ml"]
        when "hold"
          @table["glue"].then { |glue| glue["ml"] * glue["price_per_ml"] }
        when "soak"
          soak_g * @table["soak"]["price_per_g"]
        else
          0.0
        end
      end

      # Hours until it can be turned; nil where this air never gets it there.
      def wait_h(row)
        case row["key"]
        when "fill"
          filler["ready_min"] / 60.0
        when "dry_first"
          days && (days * 24)
        else
          row["wait_h"]
        end
      end

      def risk(key)
        told = @table["risks"].fetch(key)
        about =
          if key == "leave" && unclean?
            "food"
          elsif key == "dry_first" && days.nil?
            "never"
          else
            told.include?(@defect.type) ? @defect.type : "any"
          end
        Message.of("tables.ways.risks.#{key}.#{about}", **risked(key))
      end

      # What the risk of each speaks of.
      def risked(key)
        case key
        when "fill"
          { filler: Table.term("fillers", filler["key"]), ml: [open_ml, "ml"], gate: gate_pct && [gate_pct, "%"] }
        when "cast"
          { ml: [open_ml, "ml"], gate: gate_pct && [gate_pct, "%"] }
        when "soak"
          { g: [soak_g, "g"] }
        when "dry_first"
          { days: days && [days, "days"] }
        when "remove_now"
          { ml: [open_ml, "ml"] }
        else
          {}
        end
      end

      def open_ml = @defect.open? ? fill_ml : @share.occupied_mm3 * (1 - @share.removed_share) / 1000
      def fill_ml = @fill_ml ||= @share.to_fill_mm3 / 1000
      def filler = @filler ||= Filling.filler_of(@defect, moisture_pct: @water&.fetch(:moisture_pct))
      def unclean? =
        %w[food wet].include?(@blank.form&.use) && (@defect.open? || @defect.type == "bark_inclusion") &&
          @share.reaches_surface?

      # Moisture in % that what is put in takes.
      def gate_pct =
        @gate_pct ||=
          if @defect.type == "soft_zone"
            Table.rows("gates").find { |row| row["key"] == "stabilise" }["at_most_pct"]
          else
            filler["dry_to_pct"]
          end

      def days
        return @days if defined?(@days)
        return @days = nil unless @water

        target = @water[:targets].select { |row| row[:at_most_pct] >= gate_pct }.min_by { |row| row[:at_most_pct] }
        @days = target && target[:days]
      end

      # g of resin that what stays of it takes up: room in the wood, of which a share is filled.
      def soak_g
        wood_ml = @share.occupied_mm3 * (1 - @share.removed_share) / 1000
        density =
          @defect.path? ? @blank.material.density_kg_m3 : @defect.density_kg_m3(@blank.material.dry_density_kg_m3)
        wood_ml * [1 - (density / 1500.0), 0].max * @table["soak"]["resin_g_ml"] * @table["soak"]["share"]
      end
    end
  end
end
