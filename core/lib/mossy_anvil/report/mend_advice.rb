# frozen_string_literal: true

module MossyAnvil
  module Report
    # What there is to fill, and how far the water has gone.
    class MendAdvice
      include AdviceBuilder

      # Where nothing is to be filled: the moisture that a film finish takes, %.
      USUAL_GATE_PCT = 12

      # List of advice.
      def to_a
        filled =
          to_mend.sum do |defect|
            if %w[fill cast dry_first].include?(defect[:verdict]) && defect[:fill_volume_mm3].positive?
              defect[:open_volume_mm3]
            else
              0
            end
          end
        first =
          filled.positive? ? say(:care, "mend.to_fill", fill: [filled / 1000, "ml"]) : say(:go, "mend.nothing_to_fill")
        [first, *drying]
      end

      private

      def drying
        water = @report[:drying] or return []
        gate = needed_gate(water)
        [
          say(
            :plain,
            "mend.moisture",
            figure: "/drying/moisture_pct",
            now: [water[:moisture_pct], "%"],
            emc: [water[:emc_pct], "%"]
          ),
          wet_heart(water[:profile]),
          gate && dry_enough(gate),
          shrinks(water[:shrinkage])
        ].compact
      end

      def wet_heart(profile)
        return unless profile && profile[:wet_heart]

        say(
          :care,
          "mend.wet_heart",
          figure: "/drying/profile/heart_pct",
          skin: [profile[:skin_pct], "%"],
          heart: [profile[:heart_pct], "%"]
        )
      end

      def shrinks(sizes)
        return unless sizes

        along, across = %i[along_rings_mm across_rings_mm].map { |way| [sizes[:from_mm] - sizes[way], "mm"] }
        say(
          :plain,
          "mend.shrinks",
          figure: "/drying/shrinkage/along_rings_mm",
          from: [sizes[:from_mm], "mm"],
          along: along,
          across: across
        )
      end

      # The driest gate that a filler chosen here asks for; the film finish where nothing is to be filled.
      def needed_gate(water)
        driest = filler_gate_pct || USUAL_GATE_PCT
        water[:targets].select { |target| target[:at_most_pct] >= driest }.min_by { |target| target[:at_most_pct] }
      end

      def dry_enough(gate)
        about = {
          figure: "/drying/targets/#{gate[:key]}/days",
          gate: Table.term("gates", gate[:key]),
          limit: [gate[:at_most_pct], "%"]
        }
        return say(:go, "mend.dry_enough", **about) if gate[:ready]
        return say(:stop, "mend.never_dry", **about) if gate[:out_of_reach]

        late = gate[:days_late]
        say(
          :care,
          late ? "mend.dry_in" : "mend.dry_in_at_best",
          **about,
          early: [gate[:days_early], "days"],
          late: late && [late, "days"]
        )
      end
    end
  end
end
