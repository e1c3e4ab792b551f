# frozen_string_literal: true

module MossyAnvil
  module Report
    # What there is to fill, and how far the water has gone.
    class MendAdvice
      include AdviceBuilder

      # List of findings.
      def to_a
        filled = to_mend.sum { |defect| %w[fill cast dry_first].include?(defect[:verdict]) && defect[:fill_volume_mm3].positive? ? defect[:open_volume_mm3] : 0 }
        first = filled.positive? ? say(:care, "{fill} to fill in all.", fill: [filled / 1000, "ml"]) : say(:go, "Nothing left to fill.")
        [first, *drying]
      end

      private

      def drying
        water = @report[:drying]
        return [] unless water

        gate = needed_gate(water)
        [say(:plain, "About {now} inside now; this air takes it to {emc}.", figure: "/drying/moisture_pct", now: [water[:moisture_pct], "%"], emc: [water[:emc_pct], "%"]),
         wet_heart(water[:profile]), gate && dry_enough(gate), shrinks(water[:shrinkage])].compact
      end

      def wet_heart(profile)
        return unless profile && profile[:wet_heart]

        say(:care, "Dry outside, wet inside: about {skin} at the skin and {heart} in the heart. Cut now, and the skin is pulled open as the heart shrinks.",
          figure: "/drying/profile/heart_pct", skin: [profile[:skin_pct], "%"], heart: [profile[:heart_pct], "%"])
      end

      def shrinks(sizes)
        return unless sizes

        along, across = %i[along_rings_mm across_rings_mm].map { |way| [sizes[:from_mm] - sizes[way], "mm"] }
        say(:plain, "By then {from} across loses {along} along the rings and {across} across them: a round goes oval.", figure: "/drying/shrinkage/along_rings_mm",
          from: [sizes[:from_mm], "mm"], along: along, across: across)
      end

      # The driest gate that a filler chosen here asks for; the film finish where nothing is to be filled.
      def needed_gate(water)
        driest = filler_gate_pct || 12
        water[:targets].select { |target| target[:at_most_pct] >= driest }.min_by { |target| target[:at_most_pct] }
      end

      def dry_enough(gate)
        figure = "/drying/targets/#{gate[:key]}/days"
        limit = [gate[:at_most_pct], "%"]
        return say(:go, "Dry enough for #{gate[:name]} ({limit}).", figure: figure, limit: limit) if gate[:ready]
        return say(:stop, "Never dry enough for #{gate[:name]} ({limit}) in this air: warm it or bag it.", figure: figure, limit: limit) if gate[:out_of_reach]

        early = [gate[:days_early], "days"]
        unless gate[:days_late]
          return say(:care, "Dry enough for #{gate[:name]} ({limit}) in {early} at the earliest; in damper air never.", figure: figure, limit: limit,
            early: early)
        end

        say(:care, "Dry enough for #{gate[:name]} ({limit}) in {early} to {late}.", figure: figure, limit: limit, early: early, late: [gate[:days_late], "days"])
      end
    end
  end
end
