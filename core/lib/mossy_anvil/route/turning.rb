# frozen_string_literal: true

module MossyAnvil
  module Route
    # A step at the lathe: how long, how fast, and what of it is left.
    class Turning
      # Cutting to it: the step of holding it is done in.
      HELD_IN = {
        "mount" => "outside",
        "true_up" => "outside",
        "outside" => "outside",
        "seat" => "outside",
        "rough_out" => "hollow",
        "retrue" => "hollow",
        "hollow" => "hollow",
        "foot" => "foot",
        "ends" => "ends"
      }.freeze
      MM3_PER_L = 1e6

      # Is anything cut at a kind of step?
      def self.cuts?(kind) = Table.rows("route").any? { |row| row["key"] == kind && row["cuts"] }

      # data: { kind:, form: the form it is turned to at this step (the piece's own unsaid) }.
      def initialize(data, piece, facts)
        @kind = data.fetch(:kind)
        @row = Table.row("route", @kind)
        @before = piece
        @piece = data[:form] ? piece.with(form: data[:form]) : piece
        @facts = facts
      end

      def step(id)
        @id = id
        Step.new(
          id: id,
          kind: @kind,
          stretch: @row["stretch"],
          name: name,
          base_min: base_min,
          needs: Needs.new(mount: mount && mount[:key], tools: []),
          stage: (goal || @piece.stage).to_s,
          limit_rpm: unsafe? ? 0.0 : limit_rpm,
          unsafe: unsafe?,
          unheld: unheld?,
          cuts: cuts,
          says: says,
          after: after
        )
      end

      private

      def name
        return Message.of("route.kinds.#{@kind}") unless @kind == "rough_out"

        Message.of("route.kinds.rough_out", wall: [@facts.rough[:wall_mm], "mm"])
      end

      # The stage it ends at; nil where nothing is turned away that a stage tells of.
      def goal = @row["to"]&.to_sym
      def hollow? = @piece.form.hollow?

      # What it passes through: where it starts, to the form it had, and where it ends.
      def start = @start ||= @facts.limits.call(@before.blank, @before.stage)
      def finish = @finish ||= goal ? @facts.limits.call(@piece.blank, goal) : start
      def slowest = [start, finish].min_by { |one| one[:limit_rpm] }
      def mount = @mount ||= @facts.mounts.call(@before)[HELD_IN[@kind]]
      def limit_rpm = [slowest[:limit_rpm], mount && mount[:limit_rpm], own_rpm].compact.min

      # What the turner means to turn it at, where that is slower still.
      def own_rpm = (@facts.blank.route || {}).dig(:speeds, @id.to_sym)
      def unheld? = HELD_IN.key?(@kind) && !mount.nil? && mount[:key].nil?
      def unsafe? = start[:unsafe] || finish[:unsafe]

      # Beside its cuts; by the litre where nothing holds it for them or no speed is safe.
      def base_min = @row["base_min"] + (cuts ? 0 : min_per_l * away_l)
      def min_per_l = @row.fetch("min_per_l", 0)
      def away_l = [start[:volume_mm3] - finish[:volume_mm3], 0].max / MM3_PER_L

      # What is cut at it; nil where nothing is or may be.
      def cuts
        return unless @row["cuts"] && mount && mount[:key] && !unsafe? && limit_rpm.positive?

        @cuts ||= @facts.cuts.call(after, kind: @kind, rough: rough, rpm: limit_rpm, min_per_l: min_per_l)
      end

      # The form it is roughed out to, at that step or before it; nil where it never is.
      def rough
        return @piece.form if @kind == "rough_out"

        @before.form.equal?(@facts.form) ? nil : @before.form
      end

      def says
        [
          (Advice.say(:stop, "unsafe", limit: [slowest[:limit_rpm], "rpm"]) if unsafe?),
          (Advice.say(:stop, "no_mount") if unheld?)
        ].compact
      end

      # Once it is hollow its wall or its floor, whichever is more, decides how it dries.
      def after
        return @piece unless goal

        @piece.with(stage: goal, thickness_mm: goal == :hollowed && hollow? ? section_mm : least_mm)
      end

      def section_mm
        return @facts.rough[:wall_mm] if @kind == "rough_out"

        [@facts.assessed.dig(:form, :least_wall_mm) || 0.0, @piece.form.floor_mm].max
      end

      def least_mm = [@piece.thickness_mm, 2 * @piece.form.outside.largest_mm].min
    end
  end
end
