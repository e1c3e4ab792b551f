# frozen_string_literal: true

module MossyAnvil
  # Papers, the speed under them, and what the dust does.
  class FinishFindings
    include Saying

    SPORES = "Spalted wood carries spores: respirator and extraction at source, from the first cut to the last paper."

    # List of findings.
    def to_a
      papers = @report[:finish]
      [say(:plain, "Sand P#{papers[:grits].join(' · P')} for #{papers[:finish]}.", figure: "/finish/deepest_mark_mm"),
       say(:care, "Keep it below {speed} under the paper, and keep the paper moving. No hand can rest on it: stop.",
         figure: "/finish/sanding_rpm", speed: [papers[:sanding_rpm], "rpm"]),
       *dust]
    end

    private

    # What its dust and its heat do; spores on top of that.
    def dust
      stock = @blank.material.stock
      found = stock ? [say(:care, "#{stock.name[0].upcase}#{stock.name[1..]}: #{stock.caution}.")] : []
      found << say(:care, SPORES) if @blank.material.character.include?("spalted")
      found
    end
  end
end
