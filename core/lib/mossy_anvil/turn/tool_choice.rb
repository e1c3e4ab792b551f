# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Which tool takes a region: whatever is unsafe there drops out with its reason; of the rest the quickest.
    # A cut is lighter where wall, mount or belt would not bear the whole of it, counted as with a dull edge.
    class ToolChoice
      # One tool in a region. chip_mm: of the roughing cut; force_n with a sharp edge and allowed_n, of the pass that
      # has least left of it; torque_nm; leave_mm: on a thin wall, what is left on it until the last, then taken with
      # ever lighter cuts; minutes: [least, most]; sharpen_every_min; bend_mm in the finishing pass.
      Use =
        Struct.new(
          :tool,
          :chip_mm,
          :force_n,
          :allowed_n,
          :torque_nm,
          :leave_mm,
          :minutes,
          :sharpen_every_min,
          :bend_mm,
          keyword_init: true
        )

      # What counts as met in a region, as shares of it.
      MET = { "soft" => 0.1, "bark" => 0.02, "resin" => 0.05, "dirt" => 0.0, "cracked" => 0.0 }.freeze

      # material: Material; moisture_pct: at that step; belt_nm: of the belt it is turned on.
      def initialize(tools, material, moisture_pct:, belt_nm:)
        @tools = tools
        @material = material
        @wet = material.wooden? && moisture_pct.to_f >= table["force"]["wet_from_pct"]
        @belt_nm = belt_nm
      end

      # [the quickest Use, the quickest of the other school, [[tool key, why it drops out], ...]]; without a tool the
      # first two are nil.
      def for(region)
        fits, out = @tools.map { |tool| [tool, objection(tool, region)] }.partition { |_, why| why.nil? }
        uses = fits.map { |tool, _| use(tool, region) }.sort_by { |one| one.minutes.last }
        first = uses.first
        second = first && (uses.find { |one| one.tool.scraping? != first.tool.scraping? } || uses[1])
        [first, second, out.map { |tool, why| [tool.key, why] }]
      end

      private

      def table = Table["tools"]

      # Why a tool is not for a region; nil where it is.
      def objection(tool, region)
        return "stone" if region.kind == "stone"
        return "side" unless tool.on?(region.side)
        return "grain" unless tool.along?(@material.grain)
        return "size" if region.largest_mm < tool.least_radius_mm
        return "air" if region.air_share > tool.most_air_share
        return "stuff" unless met(region).all? { |stuff| tool.fit_for?(stuff) }

        reach(tool, region) || borne(tool, region)
      end

      def met(region) = MET.select { |stuff, least| region.shares.fetch(stuff, 0.0) > least }.keys

      def reach(tool, region)
        return "rim" if region.undercut_mm > CutRegions::UNDERCUT_MM && !tool.hooked?
        return "depth" if region.overhang_mm > tool.most_depth_mm
        return "hand" if tool.bare? && Cutting.hand_n(region.overhang_mm) > table["hand"]["holds_n"]

        "bend" if bend_mm(tool, region) > table["bar"]["most_bend_mm"]
      end

      # Which of what holds would give first under the lightest cut; nil where all bear it.
      def borne(tool, region)
        least = force(tool, table["least_chip_mm"], dull: true)
        [*wall_bound(region), *bounds(region)].find { |_, newton| least > newton }&.first
      end

      # [[what bears it, N], ...] all along; beside that, what the finished wall bears in the last passes.
      def bounds(region)
        [
          ["mount", region.mount_n],
          ["belt", @belt_nm && (@belt_nm / (region.largest_mm * Cutting::NM_PER_N_MM))]
        ].select(&:last)
      end

      def wall_bound(region) = region.wall_n ? [["wall", region.wall_n]] : []

      def force(tool, chip_mm, dull: false)
        Cutting.force_n(tool.edge_mm, chip_mm, @material.density_kg_m3, dull: dull, scraping: tool.scraping?, wet: @wet)
      end

      # mm: no thicker than what bears the cut allows.
      def chip(tool, most_mm, limits)
        bears = limits.map(&:last).min
        bears ? [most_mm, bears / force(tool, 1.0, dull: true)].min : most_mm
      end

      def use(tool, region)
        rough = chip(tool, tool.chip_mm, bounds(region))
        fine = fine_chip(tool, region)
        force_n, allowed_n = tightest(tool, region, rough, fine)
        leave = leave_mm(tool, region, rough)
        Use.new(
          tool: tool,
          chip_mm: rough,
          force_n: force_n,
          allowed_n: allowed_n,
          torque_nm: Cutting.torque_nm(force(tool, rough), region.largest_mm),
          leave_mm: leave,
          minutes: minutes(tool, region, [rough, fine], leave),
          sharpen_every_min: sharpen_every_min(tool, region, rough),
          bend_mm: bend_mm(tool, region)
        )
      end

      def usual_fine(tool) = [tool.chip_mm, table["finishing"]["chip_mm"]].min
      def fine_chip(tool, region) = chip(tool, usual_fine(tool), [*bounds(region), *wall_bound(region)])

      # [N, N it may be] of the pass that has least left; nil for what may be any.
      def tightest(tool, region, rough, fine)
        [[rough, bounds(region)], [fine, [*bounds(region), *wall_bound(region)]]].map do |chip_mm, limits|
            [force(tool, chip_mm), limits.map(&:last).min]
          end
          .max_by { |newton, allowed| allowed ? newton / allowed : 0.0 }
      end

      # What a wall bears goes with its square: so much more of it bears the roughing cut. nil where none is needed.
      def leave_mm(tool, region, rough)
        return if region.wall_n.nil? || region.wall_mm.nil? || force(tool, rough, dull: true) <= region.wall_n

        region.wall_mm * (Math.sqrt(force(tool, rough, dull: true) / region.wall_n) - 1)
      end

      def bend_mm(tool, region) =
        Cutting.bend_mm(force(tool, fine_chip(tool, region), dull: true), region.overhang_mm, tool.shank_mm)

      def rate_ml_min(tool, region, rough)
        air = table["air"].find { |row| region.air_share > row["over"] }
        tool.rough_ml_min * table["force"]["at_kg_m3"] / @material.density_kg_m3 * (air ? air["left"] : 1.0) *
          (rough / tool.chip_mm)
      end

      # Roughing, then what was left on the wall: time in it goes up as the wall goes down, on the mean by the ratio of
      # the two walls; then the finishing passes.
      def minutes(tool, region, (rough, fine), leave)
        shell_ml = leave ? [region.area_cm2 * leave / 10, region.volume_ml].min : 0.0
        slower = leave ? (region.wall_mm + leave) / region.wall_mm : 1.0
        ml = region.volume_ml + (shell_ml * (slower - 1))
        passes = region.finished ? table["finishing"]["passes"] : 0
        smooth = passes * region.area_cm2 / (tool.finish_cm2_min * fine / usual_fine(tool))
        table["minutes"].map { |share| share * ((ml / rate_ml_min(tool, region, rough)) + smooth) }
      end

      # Minutes of cutting until the edge has gone its way.
      def sharpen_every_min(tool, region, rough)
        km_a_min = Cutting.path_km(rate_ml_min(tool, region, rough), tool.edge_mm, rough)
        table["edges"].fetch(tool.edge) * wear(region) / km_a_min
      end

      def wear(region)
        row = table["wear"]
        met = met(region)
        dense = @material.density_kg_m3 > row["dense_from_kg_m3"] ? row["dense"] : 1.0
        dense * (met.include?("dirt") ? row["dirt"] : 1.0) * (met.intersect?(%w[resin bark]) ? row["resin"] : 1.0)
      end
    end
  end
end
