# frozen_string_literal: true

module MossyAnvil
  module Model
    # The outside of each kind of form from its measures, foot at 0: curves are quarter waves and powers, so few points
    # carry them.
    class FormCurves
      CURVE_STEPS = 8
      # A bowl's outside rises as (1 - (1 - t)^p)^(1/p) from foot to rim; p from nearly straight to nearly a box.
      POWERS = (1.05..3.2)

      # measures: FormMeasures.
      def initialize(measures)
        @measures = measures
      end

      # [[mm above the foot, mm radius], …] of a kind of the table.
      def of(kind) = send(:"#{kind}_curve")

      private

      def height = @measures.height
      def half(key) = @measures.half(key)
      def value(key) = @measures.value(key)

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
