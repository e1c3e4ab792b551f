# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # A blank to practise on, made up from a seed: what eyes see of it, and the truth that nobody has seen yet. The
    # harder the level, the more there is, and the less of it shows.
    class BlindBlank
      LEVELS = (1..5)
      # What each level is made of, and how many cracks run in from its skin.
      CHARACTERS = [[], %w[cracked], %w[spalted], %w[burl], %w[burl spalted insect]].freeze
      GRAINS = %w[face face end burl burl].freeze
      # So much more is hidden in what is made to practise on than in what comes to a shop.
      DENSER = 4.0
      # How deep what is only seen is taken to go, over its width.
      GUESSED_DEPTH = 6.0

      # seed: Integer; level: one of LEVELS. Raises InvalidInput under `at`.
      def initialize(seed:, level:, at: "")
        unless LEVELS.cover?(level)
          raise InvalidInput.at("#{at}/level", Fault.t("is", given: level), LEVELS.to_a.join(", "))
        end

        @level = level
        @seed = seed
        @draws = Draws.new(seed, level)
      end

      # The blank file's document, string-keyed: what can be seen of it, each depth guessed.
      def document = base.merge("defects" => cracks.map { |crack| guessed(crack) })

      # The same with everything that is in it, as deep and as large as it is.
      def truth_document = base.merge("defects" => cracks + bodies)

      # What is put beside the blank: { "format", "version", "seed", "level", "sealed" }, not to be read by chance.
      def sealed
        {
          "format" => "mossy-anvil/truth",
          "version" => 1,
          "seed" => @seed,
          "level" => @level,
          "sealed" => [JSON.generate(truth_document)].pack("m0")
        }
      end

      # The document of a sealed truth. Raises InvalidInput where it is none.
      def self.unseal(sealed)
        JSON.parse(sealed.fetch("sealed").unpack1("m0"))
      rescue KeyError, NoMethodError, TypeError, ArgumentError, JSON::ParserError
        raise InvalidInput.at("/sealed", Fault.t("is_missing"), Fault.t("a_sealed_truth"))
      end

      private

      def base
        {
          "format" => "mossy-anvil/blank",
          "version" => Formats::BlankFile::VERSION,
          "name" => "Practice #{@level}.#{@seed}",
          "material" => material,
          "shape" => {
            "type" => "disc",
            "diameter_mm" => diameter_mm,
            "length_mm" => length_mm
          }
        }
      end

      def diameter_mm = (150 + (130 * @draws.share("diameter"))).round.to_f
      def length_mm = (60 + (70 * @draws.share("length"))).round.to_f

      def material
        woods = Table.rows("woods")
        wood = woods[(@draws.share("wood") * woods.size).floor]
        {
          "kind" => "wood",
          "species" => wood["name"],
          "density_kg_m3" => (wood["density_kg_m3"] * (0.95 + (0.1 * @draws.share("density")))).round.to_f,
          "moisture_pct" => (9 + (5 * @draws.share("moisture"))).round.to_f,
          "character" => CHARACTERS[@level - 1],
          **grain
        }
      end

      def grain
        grain = GRAINS[@level - 1]
        turned = grain == "face" ? { "grain_clock_deg" => (360 * @draws.share("grain")).floor } : {}
        { "grain" => grain, **turned }
      end

      # Cracks that run in from the side, on a level more than the one before.
      def cracks
        @cracks ||= Array.new(@level) { |index| crack(index) }
      end

      def crack(index)
        {
          "id" => ("A".ord + index).chr,
          "type" => index == 2 ? "bark_inclusion" : "crack",
          "enters" => "side",
          "path" => run_of("crack #{index}"),
          "width_mm" => (0.5 + (2 * @draws.share("crack #{index} wide"))).round(1),
          "depth_mm" => (diameter_mm / 2 * (0.08 + (0.5 * @draws.share("crack #{index} deep")))).round(1)
        }
      end

      def run_of(name)
        clock_deg = (360 * @draws.share("#{name} clock")).floor
        from = length_mm * 0.5 * @draws.share("#{name} from")
        long = length_mm * (0.25 + (0.25 * @draws.share("#{name} long")))
        [
          { "clock_deg" => clock_deg, "z_mm" => from.round(1) },
          { "clock_deg" => (clock_deg + 4) % 360, "z_mm" => (from + long).round(1) }
        ]
      end

      def guessed(crack)
        crack.merge("depth_mm" => (crack["width_mm"] * GUESSED_DEPTH).round(1), "found_by" => "guessed")
      end

      # Hidden, and not coming out on the skin: what does is seen by whoever looks.
      def bodies
        blank = Formats::BlankFile.from_data(base.merge("defects" => cracks))
        hidden = HiddenTroubles.new(blank, denser: DENSER).drawn(@draws)
        hidden.each_with_index.map do |body, index|
          JSON.parse(JSON.generate(body.to_document)).merge("id" => "h#{index + 1}")
        end
      end
    end
  end
end
