# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Levelling what was mended, once it is hard.
    class SandStep < MendStep
      def name = "Level #{ids_or_it}"
      def hands_min = 15
      def usual_h = 0.0
      def tools = ["scraper", "P80 to P120"]
      def cautions = ["Dust of resin and CA: respirator. What is not cured through drags and clogs."]
      def detail = {}
      def lines = [line(:do, "Scrape or sand it level.")]
    end
  end
end
