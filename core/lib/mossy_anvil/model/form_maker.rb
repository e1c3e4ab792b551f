# frozen_string_literal: true

module MossyAnvil
  module Model
    # A form from its kind and a few measures, laid into the middle of the blank with its foot at the head and its mouth
    # at the tail.
    # Curves are quarter waves and powers, so few points carry them; what is hollow follows the outside at its wall and
    # floor.
    class FormMaker
      CURVE_STEPS = 8
      # A bowl's outside rises as (1 - (1 - t)^p)^(1/p) from foot to rim; p from nearly straight to nearly a box.
      POWERS = (1.05..3.2)
      TIDY = 3
      # Of the length a hollow piece leaves over, so much is at its foot, where it is held.
      FOOT_SHARE = 0.7
      LEAST_MM = 0.1
      # What must be smaller than what.
      SMALLER = [
        %w[foot_mm diameter_mm],
        %w[mouth_mm diameter_mm],
        %w[neck_mm diameter_mm],
        %w[stem_mm foot_mm],
        %w[stem_mm diameter_mm],
        %w[floor_mm height_mm]
      ].freeze

      # Kinds there are, by key.
      def self.kinds = Table.rows("forms")

      # blank: on its centres. kind: a key of the table; measures: { key => number } for those that are given. Raises
      # InvalidInput under `at`.
      def initialize(blank, kind, measures = {}, at: "")
        @shape = blank.shape
        @use = blank.form&.use
        @at = at
        @row = FormMaker.kinds.find { |row| row["key"] == kind } or
          refuse("/kind", Fault.t("is", given: Fault.shown(kind)), FormMaker.kinds.map { |row| row["key"] }.join(", "))
        @given = measures.transform_keys(&:to_s)
        check_given
        check_sense
      end

      # Plain data: the form as in a blank file, and each measure with its name, value and whether it was given.
      def to_h
        {
          form: form,
          measures:
            @row["measures"].map do |measure|
              { key: measure["key"], value: value(measure["key"]), given: @given.key?(measure["key"]) }
            end
        }
      end

      # As in a blank file, string-keyed.
      def form
        points =
          send(:"#{@row["key"]}_curve").map { |z_mm, r_mm| [(z_mm + foot_z).round(TIDY), [r_mm, 0].max.round(TIDY)] }
        {
          "kind" => @row["key"],
          "opens" => "tail",
          "outside" => points,
          "inside" => inside,
          "follows" => follows,
          "curve" => curve,
          "use" => @use
        }.compact
      end

      private

      def refuse(path, problem, allowed) = raise InvalidInput.at("#{@at}#{path}", problem, allowed)

      def check_given
        known = @row["measures"].to_h { |measure| [measure["key"], measure] }
        faults =
          @given.filter_map do |key, number|
            at = "#{@at}/measures/#{key}"
            unless known.key?(key)
              next(
                Fault.new(
                  path: at,
                  problem: Fault.t("is_no_measure_of_a", kind: @row["key"].tr("_", " ")),
                  allowed: known.keys.join(", ")
                )
              )
            end

            low, high = span(known[key])
            unless fits?(number, low, high)
              Fault.new(
                path: at,
                problem: Fault.t("is", given: Fault.shown(number)),
                allowed: Fault.t("a_number_from_to", low: low, high: high)
              )
            end
          end
        raise InvalidInput, faults if faults.any?
      end

      # A measure with a value of its own has its bounds; a length is more than nothing.
      def span(measure) = measure.key?("value") ? measure.values_at("least", "most") : [LEAST_MM, 5000]
      def fits?(number, low, high) = number.is_a?(Numeric) && number.finite? && number.between?(low, high)

      def check_sense
        SMALLER.each { |small, large| check_smaller(small, large) }
        length_mm = @shape.length_mm
        if height > length_mm + 1e-9
          refuse_measure(height_key, height, Fault.t("at_most_mm_the_length_of_the", length_mm: length_mm.round(1)))
        end
        check_egg if @row["key"] == "egg"
      end

      def check_smaller(small, large)
        keys = @row["measures"].map { |measure| measure["key"] }
        return unless ([small, large] - keys).empty? && value(small) > value(large)

        allowed = Fault.t("no_more_than_its_mm", what: large.delete_suffix("_mm"), large: value(large).round(1))
        refuse_measure(small, value(small), allowed)
      end

      def check_egg
        high, wide = value("height_mm"), value("diameter_mm")
        return if high >= wide

        refuse_measure("height_mm", high, Fault.t("at_least_its_diameter_mm", diameter_mm: wide.round(1)))
      end

      def refuse_measure(key, mm, allowed) = refuse("/measures/#{key}", Fault.t("is", given: mm.round(1)), allowed)

      def height_key = @row["key"] == "sphere" ? "diameter_mm" : "height_mm"
      def height = value(height_key)
      def half(key) = value(key) / 2

      def value(key)
        return @given[key].to_f if @given.key?(key)

        measure = @row["measures"].find { |candidate| candidate["key"] == key }
        return measure["value"].to_f if measure.key?("value")

        (room(measure["of"]) * measure["share"]).clamp(measure["least"] || 0, measure["most"] || Float::INFINITY).round(
          1
        )
      end

      def room(of)
        case of
        when "across"
          2 * @shape.min_radius_mm
        when "widest"
          2 * @shape.max_radius_mm
        when "length"
          @shape.length_mm
        else
          [2 * @shape.min_radius_mm, @shape.length_mm].min
        end
      end

      # The rest of the wood on both ends alike, but more at the foot of what is hollow.
      def foot_z = (@shape.length_mm - height) * (hollow? ? FOOT_SHARE : 0.5)
      def hollow? = @row["measures"].any? { |measure| measure["key"] == "wall_mm" }
      def curve = %w[box ring disc].include?(@row["key"]) ? "straight" : "smooth"

      def follows
        return unless hollow?

        {
          "wall_mm" => value("wall_mm"),
          "floor_mm" => @row["key"] == "stem_cup" ? (height * (1 - value("cup"))) + value("wall_mm") : value("floor_mm")
        }
      end

      def inside
        return unless @row["key"] == "ring"

        [0, height].map { |z_mm| [(z_mm + foot_z).round(TIDY), half("bore_mm")] }
      end

      def shares = Array.new(CURVE_STEPS + 1) { |step| step.to_f / CURVE_STEPS }

      def bowl_curve
        power = POWERS.begin + ((POWERS.end - POWERS.begin) * value("fullness"))
        shares.map do |t|
          [
            t * height,
            half("foot_mm") + ((half("diameter_mm") - half("foot_mm")) * ((1 - ((1 - t)**power))**(1 / power)))
          ]
        end
      end
      alias platter_curve bowl_curve
      alias winged_curve bowl_curve
      alias rough_curve bowl_curve

      # From one end over the widest place to the other, by quarter waves.
      def belly(low_mm, high_mm, widest_at)
        widest = half("diameter_mm")
        quarter = Math::PI / 2
        up = shares.map { |t| [t * widest_at * height, low_mm + ((widest - low_mm) * Math.sin(t * quarter))] }
        down =
          shares
            .drop(1)
            .map do |t|
              [(widest_at + (t * (1 - widest_at))) * height, high_mm + ((widest - high_mm) * Math.cos(t * quarter))]
            end
        up + down
      end

      def hollow_form_curve = belly(half("foot_mm"), half("mouth_mm"), value("shoulder"))
      def spindle_curve = belly(half("foot_mm"), half("mouth_mm"), value("shoulder"))
      def box_curve = [[0, half("diameter_mm")], [height, half("diameter_mm")]]
      alias disc_curve box_curve
      def ring_curve = [0, height].map { |z_mm| [z_mm, half("bore_mm") + value("thickness_mm")] }

      def stem_cup_curve
        bowl_from = height * (1 - value("cup"))
        stem_mm = half("stem_mm")
        foot = stem_foot(bowl_from, half("foot_mm"), stem_mm)
        foot.select { |z_mm, _| z_mm < bowl_from } + cup(bowl_from).select { |_, r_mm| r_mm > stem_mm }
      end

      def stem_foot(bowl_from, foot_mm, stem_mm)
        [
          [0, foot_mm],
          [height * 0.03, foot_mm * 0.96],
          [height * 0.1, stem_mm * 1.3],
          [height * 0.2, stem_mm],
          [bowl_from * 0.9, stem_mm]
        ]
      end

      def cup(from_mm)
        shares
          .drop(1)
          .map { |t| [from_mm + (t * (height - from_mm)), half("diameter_mm") * ((1 - ((1 - t)**2.2))**(1 / 2.2))] }
      end

      def knob_curve
        foot_mm, neck_mm = half("foot_mm"), half("neck_mm")
        [[0, foot_mm], [height * 0.08, foot_mm], [height * 0.3, neck_mm], *ball(neck_mm)].each_with_object(
          []
        ) { |point, line| line << point if line.empty? || point[0] > line.last[0] + 1e-6 }
          .push([height, 0])
      end

      # Of a knob, as far as its neck.
      def ball(neck_mm)
        shares
          .drop(1)
          .map do |t|
            turn = t * Math::PI * 0.9
            z_mm = height * (0.3 + (0.35 * (1 - Math.cos(turn))))
            [z_mm, [neck_mm * (1 - t), half("diameter_mm") * Math.sin(turn)].max]
          end
      end

      def round_of(half_height, half_width, skew)
        Array.new((2 * CURVE_STEPS) + 1) do |step|
          turn = step * Math::PI / (2 * CURVE_STEPS)
          [half_height * (1 - Math.cos(turn)), half_width * Math.sin(turn) * (1 + (skew * Math.cos(turn)))]
        end
      end

      def sphere_curve = round_of(half("diameter_mm"), half("diameter_mm"), 0)
      def egg_curve = round_of(half("height_mm"), half("diameter_mm"), 0.16)
    end
  end
end
