# frozen_string_literal: true

module MossyAnvil
  module Report
    # What can be said of a lump the moment it is taken in: its shape as a blank file has it, its volume, its density by
    # its weight and by the table, and what its kind is known for. As plain data.
    class IntakeReport
      ALIKE = 0.12
      TABLE_MOISTURE_PCT = 12.0
      # Where a fault of the stand-in blank belongs in what was given.
      PLACES = { %r{\A/shape} => "/lump", %r{\A/material/moisture_pct} => "/moisture_pct" }.freeze

      # taken: { lump:, species:, moisture_pct:, mass_g: or none } symbol-keyed. Raises InvalidInput under `at`.
      def initialize(taken, at: "")
        @species, @moisture_pct, @mass_g = taken.values_at(:species, :moisture_pct, :mass_g)
        @shape = Model::Lump.shape(taken[:lump], at: "#{at}/lump")
        @body = checked_body(at)
        @stock = Model::Stock.of(@species)
        @workings = Workings.new
      end

      def to_h
        {
          shape: @shape,
          volume_mm3: volume_mm3,
          density_kg_m3: density,
          density_from: from.to_s,
          table: table,
          says: says,
          workings: @workings.to_h
        }
      end

      private

      # The shape must pass as one of a whole blank: a plain stand-in carries it through the same reader.
      def checked_body(at)
        Formats::BlankFile.from_data(
          "format" => "mossy-anvil/blank",
          "version" => Formats::BlankFile::VERSION,
          "name" => "-",
          "defects" => [],
          "shape" => @shape,
          "material" => {
            "kind" => "wood",
            "species" => "-",
            "density_kg_m3" => 600,
            "moisture_pct" => @moisture_pct,
            "grain" => "none"
          }
        )
      rescue InvalidInput => e
        raise(
          InvalidInput,
          e.faults.map do |fault|
            Fault.new(**fault.to_h, path: at + PLACES.inject(fault.path) { |path, (from, to)| path.sub(from, to) })
          end
        )
      end

      def put(key, value, unit, formula, **about) =
        @workings.put("/#{key}", value: value, unit: unit, formula: formula, **about)

      def volume_mm3
        @volume_mm3 ||=
          put(
            "volume_mm3",
            Solid::Grid.new(@body.shape).then { |grid| whole_mm3(grid) },
            "mm3",
            "its_measures_summed_over_the",
            certainty: :derived,
            source: "geometry_on_the_cylindrical_grid"
          )
      end

      def whole_mm3(grid) = ((grid.surface_mm**2) / 2).sum * grid.angular_step_rad * grid.axial_step_mm

      def by_weight = @mass_g && (@mass_g / volume_mm3 * 1e6)

      # Density of the table's wood at this moisture; the table's own where it holds no water.
      def by_table
        return unless @stock
        return @stock.density_kg_m3 unless @stock.wood?

        @stock.density_kg_m3 / (1 + (TABLE_MOISTURE_PCT / 100)) * (1 + (@moisture_pct / 100.0))
      end

      def from
        if @mass_g
          :weight
        else
          @stock ? :table : :unknown
        end
      end

      def density
        case from
        when :weight
          put(
            "density_kg_m3",
            by_weight,
            "kg/m3",
            "weight_over_volume",
            certainty: :measured,
            source: "your_scale_and_your_measures",
            inputs: {
              "weight" => [@mass_g, "g"],
              "volume" => [volume_mm3, "mm3"]
            }
          )
        when :table
          put(
            "density_kg_m3",
            by_table,
            "kg/m3",
            "the_table_density_with_the",
            certainty: :rule_of_thumb,
            source: @stock.source,
            inputs: {
              "in_the_table" => [@stock.density_kg_m3, "kg/m3"],
              "moisture" => [@moisture_pct, "%"]
            }
          )
        end
      end

      def table
        @stock && { name: @stock.name, density_kg_m3: by_table, wood: @stock.wood? }
      end

      def says = [weight_said, caution_said].compact

      def weight_said
        return say(:care, "unknown") if from == :unknown
        return unless by_weight && by_table

        about = { own: [by_weight, "kg/m3"], stock: @stock.term, usual: [by_table, "kg/m3"], figure: "/density_kg_m3" }
        off = (by_weight / by_table) - 1
        return say(:go, "as_usual", **about) if off.abs <= ALIKE

        say(:care, off.negative? ? "lighter" : "heavier", **about)
      end

      def caution_said = @stock && say(:care, "caution", stock: @stock.term, caution: @stock.caution)
      def say(tone, key, figure: nil, **amounts) =
        { tone: tone.to_s, figure: figure, **Message.of("intake.#{key}", **amounts) }
    end
  end
end
