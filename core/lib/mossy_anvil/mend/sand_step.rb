# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Levelling what was mended, once it is hard.
    class SandStep < MendStep
      def name = defects.empty? ? words("sand.name") : words("sand.name_of", ids: ids)
      def hands_min = 15
      def usual_h = 0.0
      def tools = lists("tools", "scraper", "coarse_paper")
      def cautions = lists("cautions", "sanding")
      def detail = {}
      def lines = [line(:do, "sand.line.level")]
    end
  end
end
