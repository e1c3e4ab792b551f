# frozen_string_literal: true

module MossyAnvil
  module Report
    # Papers, the speed under them, and what the dust does.
    class FinishAdvice
      include AdviceBuilder

      SPORES = "Spalted wood carries spores: respirator and extraction at source, from the first cut to the last paper."

      # List of findings.
      def to_a
        papers = @report[:finish]
        [say(:plain, "Sand P#{papers[:grits].join(' · P')} for #{papers[:finish]}.", figure: "/finish/deepest_mark_mm"),
         speed(papers),
         *dust]
      end

      private

      STOPPED = { "soft" => "Soft wood in a thin wall: harden it and cut it again first, then sand by hand, lathe stopped. Coarse paper goes through it.",
                  "air" => "Sand it by hand or with the lathe stopped: wings and edges hit the paper in every turn.",
                  "slow" => "Sand it with the lathe stopped: what is safe under the paper is slower than the lathe goes." }.freeze
      private_constant :STOPPED

      def speed(papers)
        return say(:care, STOPPED.fetch(papers[:stopped])) if papers[:stopped]

        say(:care, "Keep it below {speed} under the paper, and keep the paper moving. No hand can rest on it: stop.", figure: "/finish/sanding_rpm",
          speed: [papers[:sanding_rpm], "rpm"])
      end

      # What its dust and its heat do; spores on top of that.
      def dust
        stock = @blank.material.stock
        found = stock ? [say(:care, "#{stock.name[0].upcase}#{stock.name[1..]}: #{stock.caution}.")] : []
        found << say(:care, SPORES) if @blank.material.character.include?("spalted")
        found
      end
    end
  end
end
