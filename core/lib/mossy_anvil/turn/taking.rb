# frozen_string_literal: true

module MossyAnvil
  module Turn
    # How tools take one region: how light the cut has to be, what it pushes with and how long it is. All counted as
    # with a dull edge, which pushes half as hard again.
    class Taking
      attr_reader :region, :met

      # material: Material; met: what lies in the region; wet: is it cut wet? belt_nm: of the belt, nil for any.
      def initialize(region, material, met:, wet:, belt_nm:)
        @region = region
        @material = material
        @met = met
        @wet = wet
        @belt_nm = belt_nm
      end

      # The ToolUse of one tool to rough with and one to finish with.
      def use(tool, finish)
        newton, allowed = tightest(tool, finish)
        ToolUse.new(
          tool: tool,
          finish_tool: finish,
          chip_mm: rough_chip(tool),
          force_n: newton,
          allowed_n: allowed,
          torque_nm: Cutting.torque_nm(force(tool, rough_chip(tool)), region.largest_mm),
          leave_mm: left(bearing_mm(tool, rough_chip(tool))),
          change_mm: tool == finish ? nil : left(change_mm(tool)),
          minutes: minutes(tool, finish),
          sharpen_every_min: sharpen_every_min(tool),
          bend_mm: bend_mm(finish)
        )
      end

      # [[what bears it, N], ...] all along; beside that, what the finished wall bears in the last passes.
      def bounds =
        [
          ["mount", region.mount_n],
          ["belt", @belt_nm && (@belt_nm / (region.largest_mm * Cutting::NM_PER_N_MM))]
        ].select(&:last)

      def wall_bound = region.wall_n ? [["wall", region.wall_n]] : []
      # N of the lightest cut there is.
      def least_n(tool) = force(tool, table["least_chip_mm"], dull: true)

      def bend_mm(tool) = Cutting.bend_mm(force(tool, fine_chip(tool), dull: true), region.overhang_mm, tool.shank_mm)

      def rate_ml_min(tool)
        air = table["air"].find { |row| region.air_share > row["over"] }
        tool.rough_ml_min * table["force"]["at_kg_m3"] / @material.density_kg_m3 * (air ? air["left"] : 1.0) *
          (rough_chip(tool) / tool.chip_mm)
      end

      # Minutes of the finishing passes. A lighter cut has less of the edge in it before its chip gets thinner, and only
      # that takes longer.
      def smooth_min(tool)
        return 0.0 unless region.finished

        row = table["finishing"]
        slower = [fine_chip(tool) / usual_fine(tool) * tool.edge_mm / row["edge_mm"], 1.0].min
        row["passes"] * region.area_cm2 / (tool.finish_cm2_min * slower)
      end

      private

      def table = Table["tools"]

      def force(tool, chip_mm, dull: false)
        Cutting.force_n(tool.edge_mm, chip_mm, @material.density_kg_m3, dull: dull, scraping: tool.scraping?, wet: @wet)
      end

      # mm: no thicker than what bears the cut allows.
      def chip(tool, most_mm, limits)
        bears = limits.map(&:last).min
        bears ? [most_mm, bears / force(tool, 1.0, dull: true)].min : most_mm
      end

      def rough_chip(tool) = (@rough_chips ||= {})[tool.key] ||= chip(tool, tool.chip_mm, bounds)
      def usual_fine(tool) = [tool.chip_mm, table["finishing"]["chip_mm"]].min
      def fine_chip(tool) = chip(tool, usual_fine(tool), [*bounds, *wall_bound])

      # [N, N it may be] of the pass that has least left; nil for what may be any.
      def tightest(tool, finish)
        [
          [force(tool, rough_chip(tool)), bounds],
          [force(finish, fine_chip(finish)), [*bounds, *wall_bound]]
        ].map { |newton, limits| [newton, limits.map(&:last).min] }
          .max_by { |newton, allowed| allowed ? newton / allowed : 0.0 }
      end

      def walled? = !region.wall_n.nil? && !region.wall_mm.nil?

      # mm of wall that bears a cut with so thick a chip: what a wall bears goes with its square. nil without a wall.
      def bearing_mm(tool, chip_mm)
        return unless walled?

        region.wall_mm * Math.sqrt([force(tool, chip_mm, dull: true) / region.wall_n, 1.0].max)
      end

      # mm of wall at which the tools are changed: not before the wall bears no lighter cut of the first.
      def change_mm(tool) = bearing_mm(tool, [table["least_chip_mm"], rough_chip(tool)].min)

      # What a wall so thick has left on the finished one; nil where nothing is.
      def left(wall_mm) = wall_mm && wall_mm > region.wall_mm ? wall_mm - region.wall_mm : nil

      # Roughing, ever lighter as the wall goes down, the change of tool, and the finishing passes.
      def minutes(tool, finish)
        once = roughing_min(tool, finish) + smooth_min(finish) + (tool == finish ? 0.0 : table["change_min"])
        table["minutes"].map { |share| share * once }
      end

      def roughing_min(tool, finish)
        return region.volume_ml / rate_ml_min(tool) unless walled?

        change = tool == finish ? region.wall_mm : change_mm(tool)
        full = [bearing_mm(tool, rough_chip(tool)), change].max
        shell = [full - region.wall_mm, thickness_mm].min
        ((region.volume_ml - ml(shell)) / rate_ml_min(tool)) + shell_min(tool, region.wall_mm + shell, change) +
          shell_min(finish, [change, region.wall_mm + shell].min, region.wall_mm)
      end

      # Minutes in which a tool takes the wall from one thickness to another, mm: so much slower as it bears a lighter
      # cut than the tool's own.
      def shell_min(tool, from_mm, to_mm)
        return 0.0 if from_mm <= to_mm

        full = bearing_mm(tool, rough_chip(tool))
        light = [from_mm, full].min
        slow = light > to_mm ? full**2 * ((1 / to_mm) - (1 / light)) : 0.0
        ml([from_mm - [to_mm, full].max, 0.0].max + slow) / rate_ml_min(tool)
      end

      def ml(thickness_mm) = region.area_cm2 * thickness_mm / 10
      def thickness_mm = region.area_cm2.positive? ? region.volume_ml * 10 / region.area_cm2 : 0.0

      # Minutes of cutting until the edge has gone its way.
      def sharpen_every_min(tool)
        km_a_min = Cutting.path_km(rate_ml_min(tool), tool.edge_mm, rough_chip(tool))
        table["edges"].fetch(tool.edge) * wear / km_a_min
      end

      def wear
        row = table["wear"]
        dense = @material.density_kg_m3 > row["dense_from_kg_m3"] ? row["dense"] : 1.0
        dense * (met.include?("dirt") ? row["dirt"] : 1.0) * (met.intersect?(%w[resin bark]) ? row["resin"] : 1.0)
      end
    end
  end
end
