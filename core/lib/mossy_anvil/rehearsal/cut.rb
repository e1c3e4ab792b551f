# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # One region as it is cut on the screen lathe.
    class Cut
      # lathe: ScreenLathe; region: plain data of CutReport.
      def initialize(lathe, region)
        @lathe = lathe
        @region = region
      end

      # In the middle of what the plan says.
      def minutes = @region[:minutes].sum / 2

      # Force over the planned tool's planned cut; times: of the planned chip.
      def push(key, times) = times * force_n(key) / force_n(@region[:tool])

      # Force over what the wall was said to bear; nil where none is cut.
      def wall_use(push)
        return unless @lathe.step.wall_use && @region[:allowed_n]&.positive?

        @region[:force_n] * push / @region[:allowed_n]
      end

      # [[struck or opened, body], ...] that the edge comes to between two shares of the region.
      def met_within(met, from, to)
        [*met.stones.map { |body| [:struck, body] }, *met.opens.map { |body| [:opened, body] }].select do |_, body|
          here?(body) && reached?(body, to) && !reached?(body, from)
        end
      end

      # Bodies not far under the edge, as far as it has come.
      def near(met, share)
        reach = Table["rehearsal"]["signs"]["near_mm"]
        [met.stones, met.opens].map do |bodies|
          bodies.any? { |body| here?(body) && !reached?(body, share) && reached?(body, share, reach) }
        end
      end

      private

      def here?(body)
        low, high = @region[:swath].map { |place| place[:z_mm] }.minmax
        body.z_mm.between?(low, high)
      end

      # Has the edge come to a body, or so near to it?
      def reached?(body, share, spare = 0.0)
        front = Outline.front_mm(@region[:swath], body.z_mm, share)
        half = (body.size_mm[0] / 2) + spare
        @region[:side] == "inside" ? front >= body.radius_mm - half : front <= body.radius_mm + half
      end

      def force_n(key)
        tool = Model::CuttingTool.all(nil).find { |one| one.key == key }
        chip = tool.chip_mm
        Turn::Cutting.force_n(tool.edge_mm, chip, @lathe.blank.material.density_kg_m3, scraping: tool.scraping?)
      end
    end
  end
end
