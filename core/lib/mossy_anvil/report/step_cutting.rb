# frozen_string_literal: true

module MossyAnvil
  module Report
    # The cuts of one turning step: its regions, each with the tool for it.
    class StepCutting
      # A CutRegion; the ToolUse advised and another, of the other school; nil where no tool is safe; [[tool key, why
      # not]].
      Taken = Struct.new(:region, :use, :other, :out)

      attr_reader :belt, :factor

      # blank: finished form, on its centres; piece: as the mending before leaves it and the step finds it, on its
      # centres. step: { kind:, rough: the form it is roughed out to or was before, nil where it is not; moisture_pct:;
      # rpm:; min_per_l: where no tool is safe }. mounts: MountReport of it then. tools: list of CuttingTool. factor:
      # what cuts take by the shop's own records over what the tables say.
      def initialize(blank, piece, step, mounts:, tools:, factor: 1.0)
        @blank = blank
        @piece = piece
        @kind, @rough, @moisture_pct, @min_per_l = step.values_at(:kind, :rough, :moisture_pct, :min_per_l)
        @belt = StepCutting.belt(blank.lathe, step[:rpm])
        @mounts = mounts
        @tools = tools
        @factor = factor
      end

      # [number of the belt, N m it gives] at a speed; nil without a lathe or where no belt goes so slowly.
      def self.belt(lathe, rpm)
        return unless lathe && rpm

        number = lathe.belt_for([rpm, lathe.max_rpm].min)
        number && [number, torque_nm(lathe, lathe.belts[number - 1])]
      end

      # N m that the slowest belt gives; nil without a lathe.
      def self.slowest_belt_nm(lathe) = lathe && torque_nm(lathe, lathe.belts.min_by { |belt| belt[:max_rpm] })

      def self.torque_nm(lathe, belt) =
        Turn::Cutting.belt_torque_nm(lathe.power_w || Table["tools"]["unsaid_power_w"], belt[:max_rpm])
      private_class_method :torque_nm

      # List of Taken; empty where nothing is cut.
      def taken =
        @taken ||=
          cuts.of(@kind).flat_map { |cut| regions.of(cut) }.map { |region| Taken.new(region, *choice.for(region)) }

      # In the middle of what the cuts take, by the shop's own records.
      def minutes = usual_min * factor

      # The same by the tables alone; what no tool is safe in by the litre.
      def usual_min =
        @usual_min ||= taken.sum { |one| one.use ? one.use.minutes.sum / 2 : one.region.volume_ml / 1000 * @min_per_l }

      private

      def cuts = @cuts ||= Turn::StepCuts.new(@blank, rough: @rough)

      def regions
        @regions ||=
          Turn::CutRegions.new(
            @piece,
            mouth_mm: cuts.mouth_mm,
            walls: walls,
            mount_n: ->(z_mm) { @mounts.borne_n(Route::Turning::HELD_IN.fetch(@kind), z_mm) }
          )
      end

      def choice
        @choice ||= Turn::ToolChoice.new(@tools, @blank.material, moisture_pct: @moisture_pct, belt_nm: @belt&.last)
      end

      # The finished wall, where it is cut to or pushed at in that step.
      def walls
        return unless @kind == "hollow"

        shares = Solid::DefectShares.of(@piece)
        Turn::WeakestWall.new(@piece, shares, Turn::WallOpenings.new(@piece, shares))
      end
    end
  end
end
