# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Which tool takes a region: whatever is unsafe there drops out with its reason; of the rest the quickest. Where the
    # finished wall bears only a light cut, one tool may rough and another finish.
    class ToolChoice
      # What counts as met in a region, as shares of it.
      MET = { "soft" => 0.1, "bark" => 0.02, "resin" => 0.05, "dirt" => 0.0, "cracked" => 0.0 }.freeze

      # material: Material; moisture_pct: at that step; belt_nm: of the belt it is turned on.
      def initialize(tools, material, moisture_pct:, belt_nm:)
        @tools = tools
        @material = material
        @wet = material.wooden? && ToolChoice.wet?(moisture_pct)
        @belt_nm = belt_nm
      end

      # Is wood so wet that it cuts easier?
      def self.wet?(moisture_pct) = moisture_pct.to_f >= Table["tools"]["force"]["wet_from_pct"]

      # [the quickest ToolUse, the quickest of the other school, [[tool key, why it drops out], ...]]; without a tool
      # the first two are nil.
      def for(region)
        taking = Taking.new(region, @material, met: met(region), wet: @wet, belt_nm: @belt_nm)
        whys = @tools.to_h { |tool| [tool, objection(tool, taking)] }
        uses = whys.select { |_, why| why.nil? }.keys.map { |tool| taking.use(tool, tool) }
        first = [*uses, changed(whys, taking)].compact.min_by { |one| one.minutes.last }
        [first, first && second(uses, first), whys.compact.map { |tool, why| [tool.key, why] }]
      end

      private

      def table = Table["tools"]
      def met(region) = MET.select { |stuff, least| region.shares.fetch(stuff, 0.0) > least }.keys

      # Where only the wall forbids the quickest tool: that one as far as the wall bears it, then the quickest to finish
      # of those it bears to the end. nil where there is none of either.
      def changed(whys, taking)
        fits, roughs = [nil, "wall"].map { |reason| whys.select { |_, why| why == reason }.keys }
        return if fits.empty? || roughs.empty?

        taking.use(roughs.max_by { |tool| taking.rate_ml_min(tool) }, fits.min_by { |tool| taking.smooth_min(tool) })
      end

      def second(uses, first)
        beside = uses.reject { |one| one.tool == first.tool }.sort_by { |one| one.minutes.last }
        beside.find { |one| one.tool.scraping? != first.tool.scraping? } || beside.first
      end

      # Why a tool is not for a region; nil where it is.
      def objection(tool, taking)
        region = taking.region
        return "stone" if region.kind == "stone"
        return "side" unless tool.on?(region.side)
        return "grain" unless tool.along?(@material.grain)
        return "size" if region.largest_mm < tool.least_radius_mm
        return "air" if region.air_share > tool.most_air_share
        return "stuff" unless taking.met.all? { |stuff| tool.fit_for?(stuff) }

        reach(tool, taking) || borne(tool, taking)
      end

      def reach(tool, taking)
        region = taking.region
        return "rim" if region.undercut_mm > CutRegions::UNDERCUT_MM && !tool.hooked?
        return "depth" if region.overhang_mm > tool.most_depth_mm
        return "hand" if tool.bare? && Cutting.hand_n(region.overhang_mm) > table["hand"]["holds_n"]

        "bend" if taking.bend_mm(tool) > table["bar"]["most_bend_mm"]
      end

      # Which of what holds would give first under the lightest cut, the wall last of all; nil where all bear it.
      def borne(tool, taking)
        least = taking.least_n(tool)
        [*taking.bounds, *taking.wall_bound].find { |_, newton| least > newton }&.first
      end
    end
  end
end
