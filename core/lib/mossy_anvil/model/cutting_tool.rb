# frozen_string_literal: true

module MossyAnvil
  module Model
    # A tool of the lathe, a row of the table of tools. Lengths in mm; rates as the table says.
    class CuttingTool
      # Every tool there is; of keys, those alone. Raises InvalidInput at `at` for a key the table does not know.
      def self.all(keys = nil, at: "/tools")
        every = @every ||= Table.rows("tools").map { |row| new(row) }.freeze
        return every unless keys

        keys.each_with_index.map do |key, place|
          every.find { |tool| tool.key == key } || Table.row("tools", key, at: "#{at}/#{place}")
        end
      end

      attr_reader :key,
                  :edge,
                  :edge_mm,
                  :chip_mm,
                  :shank_mm,
                  :most_air_share,
                  :rough_ml_min,
                  :finish_cm2_min,
                  :most_depth_mm

      def initialize(row)
        @row = row
        @key, @edge = row.values_at("key", "edge")
        @edge_mm, @chip_mm, @shank_mm, @most_air_share, @rough_ml_min, @finish_cm2_min, @most_depth_mm =
          row.values_at(
            "b_mm",
            "chip_mm",
            "shank_mm",
            "most_air",
            "rough_ml_min",
            "finish_cm2_min",
            "most_depth_mm"
          ).map(&:to_f)
        freeze
      end

      # It is too large for smaller work than this, mm of radius.
      def least_radius_mm = @row.fetch("least_radius_mm", 0.0)
      def scraping? = @row["work"] == "scrape"
      def on?(side) = @row["sides"].include?(side)
      def along?(grain) = @row["grain"].include?(grain)
      # Is it fit for that, beside sound wood?
      def fit_for?(stuff) = @row["stuff"].include?(stuff)
      # Is a catch in the hand alone?
      def bare? = @row["bare"] == true
      # Does it get round under a rim that is narrower than the inside?
      def hooked? = @row["hollows"] == true
    end
  end
end
