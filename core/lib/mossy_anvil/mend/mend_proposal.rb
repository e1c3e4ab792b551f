# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The plan proposed: what triage advises or the turner chose for each defect, brought into an order in which nothing
    # spoils what follows.
    class MendProposal
      # What is asked for each defect, by the way chosen.
      WAYS = { "fill" => :fill, "cast" => :cast, "hold" => :glue, "soak" => :soak, "dry_first" => :after_drying }.freeze
      # mm round a piece in a mould; the share of the blank that is soft from which it is worth the vacuum.
      CAST_MARGIN_MM, LARGE_SHARE = 6, 0.08

      # The way a defect asks for, nil where it asks for none: what the form turns away is only held on the way, what
      # has nothing to fill is not filled, and what tests alone show is surveyed first.
      # defect: of the assessment, plain data.
      def self.way(defect)
        found = WAYS[defect[:chosen] || defect[:verdict]]
        gone = defect[:removed_share] > 0.999
        found unless defect[:by_test] || (gone && found != :glue) || (found == :fill && defect[:fill_volume_mm3].zero?)
      end

      # Table each kind of step takes its product from.
      PRODUCTS = {
        "stabilise" => "hardeners",
        "soak" => "hardeners",
        "glue" => "glues",
        "fill" => "fillers",
        "cast" => "resins"
      }.freeze

      # Moisture a step of a plan takes at most, %; nil where any.
      def self.gate_pct(step)
        table = PRODUCTS[step[:do]] or return
        Table.row(table, step[:with] || "stabilising")["dry_to_pct"]
      end

      # blank; assessed: its assessment, plain data.
      def initialize(blank, assessed)
        @blank = blank
        @assessed = assessed
      end

      # Steps as in a blank file, symbol-keyed: dry, soak, glue, fill, cast, level.
      def steps
        steps = [*soaking, *gluing, *filling, *casting]
        steps << { id: "level", do: "sand" } if steps.any? { |step| %w[fill glue].include?(step[:do]) }
        [*drying(steps), *steps]
      end

      private

      def wanted = @wanted ||= @assessed[:defects].to_h { |defect| [defect[:id], way(defect)] }.compact

      # What is to be done about one: a wet one is filled once it is dry.
      def way(defect)
        found = MendProposal.way(defect)
        return found unless found == :after_drying

        defect[:type] == "soft_zone" ? :soak : :fill
      end

      def ids(way) = wanted.select { |_, of| of == way }.keys
      def defect(id) = @blank.defects.find { |one| one.id == id }

      # Much of it soft: drawn in under vacuum; a little: thin CA where it tears.
      def soaking
        list = ids(:soak)
        return [] if list.empty?

        soft =
          @assessed[:defects]
            .select { |one| list.include?(one[:id]) }
            .sum { |one| one[:occupied_mm3] * (1 - one[:removed_share]) }
        large = soft > LARGE_SHARE * @assessed[:stages].values.first[:volume_mm3]
        [large ? { id: "stabilise", do: "stabilise", of: list } : { id: "soak", do: "soak", of: list, with: "thin_ca" }]
      end

      # With what takes the wood as wet as it is: nobody dries a blank for weeks to glue a piece on.
      def gluing
        list = ids(:glue)
        row = Table.rows("glues").select { |glue| glue["proposed"] }.find { |glue| moisture_pct <= glue["dry_to_pct"] }
        list.empty? || row.nil? ? [] : [{ id: "glue", do: "glue", of: list, with: row["key"] }]
      end

      def moisture_pct = @assessed[:drying] ? @assessed[:drying][:moisture_pct] : 0.0

      # Those that take the same filler are one step.
      def filling
        ids(:fill)
          .reject { |id| report(id)[:fill_volume_mm3].zero? }
          .group_by { |id| FillerChoice.new([defect(id)], @assessed[:defects]).row["key"] }
          .map { |key, group| { id: "fill-#{key.tr("_", "-")}", do: "fill", of: group, with: key } }
      end

      def report(id) = @assessed[:defects].find { |one| one[:id] == id }

      # A box just over the piece, poured as deep as it is long.
      def casting
        list = ids(:cast)
        return [] if list.empty?

        across = (2 * @blank.shape.max_radius_mm).ceil + (2 * CAST_MARGIN_MM)
        [
          {
            id: "cast",
            do: "cast",
            of: list,
            with: "casting_epoxy",
            mould: {
              type: "box",
              width_mm: across,
              length_mm: across,
              depth_mm: @blank.shape.length_mm.ceil + CAST_MARGIN_MM
            }
          }
        ]
      end

      # To the driest gate of what follows, where it is not there yet.
      def drying(steps)
        gate = steps.filter_map { |step| MendProposal.gate_pct(step) }.min
        water = @assessed[:drying]
        return [] unless gate && water && water[:moisture_pct] > gate

        [{ id: "dry", do: "dry", to_pct: gate, in: gate > water[:emc_pct] + 0.5 ? "room" : "oven" }]
      end
    end
  end
end
