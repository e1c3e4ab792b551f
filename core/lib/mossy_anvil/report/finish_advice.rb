# frozen_string_literal: true

module MossyAnvil
  module Report
    # Papers, the speed under them, and what the dust does.
    class FinishAdvice
      include AdviceBuilder

      # List of advice.
      def to_a
        papers = @report[:finish]
        [
          say(
            :plain,
            "finish.sand",
            figure: "/finish/deepest_mark_mm",
            grits: [papers[:grits], "grits"],
            finish: Message.term("finishes.#{papers[:finish]}")
          ),
          speed(papers),
          *dust
        ]
      end

      private

      def speed(papers)
        return say(:care, "finish.stopped.#{papers[:stopped]}") if papers[:stopped]

        say(:care, "finish.speed", figure: "/finish/sanding_rpm", speed: [papers[:sanding_rpm], "rpm"])
      end

      # What its dust and its heat do; spores on top of that.
      def dust
        stock = @blank.material.stock
        found = stock ? [say(:care, "finish.dust", stock: stock.term, caution: stock.caution)] : []
        found << say(:care, "finish.spores") if @blank.material.character.include?("spalted")
        found
      end
    end
  end
end
