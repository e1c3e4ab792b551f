# frozen_string_literal: true

module MossyAnvil
  module Report
    # A piece with its form as it is held: the steps of its work, the ends it is held by, and what there is to hold.
    class HeldForm
      # Of each kind of form its steps: [step, end it is held by, mounts as the table has them].
      STEPS = {
        hollow: [
          [:outside, :mouth, %w[screw faceplate centres glue_block hot_melt tape]],
          [:hollow, :foot, %w[tenon recess glue_block hot_melt]],
          [:foot, :mouth, %w[jam cone vacuum]]
        ],
        ring: [
          [:outside, :mouth, %w[screw faceplate glue_block hot_melt centres]],
          [:bore, :foot, %w[jam mandrel hot_melt tape]]
        ],
        sphere: [[:outside, :mouth, %w[centres screw faceplate glue_block]], [:ends, :foot, %w[cups jam]]],
        solid: [
          [:outside, :mouth, %w[centres screw faceplate glue_block hot_melt]],
          [:ends, :foot, %w[tenon recess collet jam glue_block tape]]
        ]
      }.freeze
      # Steps at which the tool goes where the tailstock would be.
      FREE = %i[hollow bore].freeze
      # A glued block is no wider where it would mark the piece.
      BLOCK_MM = 80.0

      # blank: on its centres, with a form. solid: SolidAnalysis. moisture_pct: when it is held.
      def initialize(blank, solid, moisture_pct)
        @blank = blank
        @form = blank.form
        @solid = solid
        @moisture_pct = moisture_pct
      end

      def steps = STEPS.fetch(family)
      # The end a step is held by, :mouth or :foot; nil where there is no such step.
      def held_by(name) = steps.find { |one, *| one == name }&.at(1)
      # Is the tool where the tailstock would be?
      def free?(name) = FREE.include?(name)

      # Circles that the jaws close on, mm.
      def circles_mm = own_jaws? ? @blank.lathe.jaws_mm : Table["mounts"]["jaws"]["circles_mm"]
      def own_jaws? = !@blank.lathe.nil? && @blank.lathe.jaws_mm.any?

      # The seat of a step: the mouth end or, at the foot, the shoulder of what holds it there.
      # What holds at the foot is rooted in the wood beyond the shoulder.
      def site(name, by) = Turn::MountSite.new(@solid, seat_mm(name, by), at_tail?(by) ? -1 : 1)

      def seat_mm(name, by)
        ends = name == :outside ? [0.0, @blank.shape.length_mm] : @form.z_span_mm
        at_tail?(by) ? ends[1] : ends[0]
      end

      # Key of the end it is held by, under `seats`.
      def seat(by)
        return by.to_s if family == :hollow

        at_tail?(by) ? "tail" : "head"
      end

      # What the judge asks of this step and this form.
      def facts(name, swing_mm)
        made = holding_wood
        {
          tailstock: !FREE.include?(name),
          swing_mm: swing_mm,
          waste_mm: waste_mm(name),
          block_mm: block_mm(name),
          moisture_pct: @moisture_pct,
          tenon_wood_mm: made[:length_mm],
          tenon_round_mm: made[:round_mm],
          foot_mm: 2 * foot_radius_mm,
          floor_mm: @form.floor_mm || @form.length_mm,
          rim_true: rim_true?,
          rim_mm: 2 * mouth_radius_mm,
          through: through
        }
      end

      # The solid is large, and wanted for sites and facts alone: nothing asks for those from now on.
      def let_go = @solid = nil

      private

      def family
        return :ring if @form.open_both_ends?
        return :sphere if @form.kind == "sphere"

        @form.hollow? ? :hollow : :solid
      end

      def opens_tail? = @form.opens == "tail"
      def at_tail?(by) = (by == :mouth) == opens_tail?

      def through = @through ||= @solid.openings ? @solid.openings.all.flat_map(&:ids) : []

      # A screw at the mouth goes into what is hollowed out, or into what lies beyond the form.
      def waste_mm(name)
        beyond = opens_tail? ? @blank.shape.length_mm - @form.z_span_mm[1] : @form.z_span_mm[0]
        return beyond unless name == :outside && @form.hollow?

        beyond + (@form.open_both_ends? ? @form.length_mm : @form.wall_depth_mm)
      end

      # A block no wider than where it is glued to will be cut away, or the foot.
      def block_mm(name)
        return [2 * foot_radius_mm, BLOCK_MM].min unless name == :outside

        @form.hollow? ? 2 * mouth_radius_mm : BLOCK_MM
      end

      def holding_wood
        low, high = @form.z_span_mm
        from, to = opens_tail? ? [0.0, low] : [high, @blank.shape.length_mm]
        length = to - from
        seat = Turn::MountSite.new(@solid, opens_tail? ? low : high, opens_tail? ? -1 : 1)
        {
          length_mm: length,
          round_mm: length < 1 ? 0.0 : seat.round_mm([length, Turn::MountHold.row("tenon")["length_mm"][1]].min)
        }
      end

      def ends_mm = @form.outside.points.values_at(0, -1).map(&:last)
      def foot_radius_mm = opens_tail? ? ends_mm[0] : ends_mm[1]
      def mouth_radius_mm = opens_tail? ? ends_mm[1] : ends_mm[0]

      # Does the wood reach the form all round the mouth?
      def rim_true?
        z_mm = opens_tail? ? @form.z_span_mm[1] : @form.z_span_mm[0]
        (
          @blank.shape.radius_mm(Numo::DFloat.new(96).seq * (360.0 / 96), Numo::DFloat.zeros(96) + z_mm) +
            Numo::DFloat.zeros(96)
        ).min >= mouth_radius_mm - 0.5
      end
    end
  end
end
