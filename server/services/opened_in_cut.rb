# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A crack that opened in a cut, put into the survey of the blank at once; the limit goes with it.
      class OpenedInCut
        def initialize(blanks, climate:, now:)
          @blanks = blanks
          @now = now
          @reckoner = Reckoner.new(climate, now: now)
        end

        # What the card keeps of it: { says:, limit_rpm: }. told: the step as the card has it; line: the one it was met
        # at, along whose cut it runs or, where that tells of none, along the whole piece; clock_deg: where it was seen.
        def keep(blank_id, told, line, clock_deg)
          kept = @blanks.find(blank_id)
          crack =
            MossyAnvil::Report::OpenedCrack.new(
              kept[:document],
              z_mm: line.dig("region", "z_mm"),
              clock_deg: clock_deg,
              on: @now.to_date.iso8601
            )
          rpm = [crack.limit_rpm(told["do"], @reckoner.assess(crack.document)), told["limit_rpm"]].compact.min
          @blanks.save(blank_id, kept[:version], crack.document, @reckoner.brief(crack.document))
          { says: [says(MossyAnvil::Message.text(crack.id), rpm)], limit_rpm: rpm }
        end

        private

        def says(id, rpm)
          key, amounts = rpm.zero? ? ["opened_unsafe", {}] : ["opened", { limit: [rpm, "rpm"] }]
          { tone: "stop", figure: nil, **MossyAnvil::Message.of("steps.work.#{key}", id: id, **amounts) }
        end
      end
    end
  end
end
