# frozen_string_literal: true

module MossyAnvil
  module Report
    # Every cut of the way a piece takes: region by region of each turning step, with which tool, which way, how hard
    # and how long, and what no tool is safe in.
    class CutReport
      # Where the grain wants the cut to go, by grain and side; anything else goes either way.
      DIRECTIONS = {
        "face" => {
          "outside" => "foot_to_rim",
          "inside" => "rim_to_bottom"
        },
        "end" => {
          "outside" => "large_to_small",
          "inside" => "bottom_to_rim"
        }
      }.freeze
      # The how-to under `cuts.how`, by side and school.
      SCHOOLS = { true => "scrape", false => "cut" }.freeze

      # blank: as surveyed, with a form. now: Time or nil. about: records: ShopRecords; tools: keys of the turner's own,
      # every one of the table unsaid; route: RouteReport of the same, where there is one already.
      # Raises InvalidInput where there is no form, or a tool is not known.
      def initialize(blank, climate: ShopClimate.new, now: nil, fineness: :default, **about)
        @route =
          about.delete(:route) ||
            RouteReport.new(blank, climate: climate, now: now, fineness: fineness, ways: :taken, **about)
        @blank = blank.on_centres
      end

      # Plain data: regions, those refused with why, how torn fibres are dealt with, and the second blank there is in
      # the hollow, nil for none.
      def to_h
        {
          regions: regions.reject { |one| one[:tool].nil? },
          refused: [*stopped, *regions.select { |one| one[:tool].nil? }.map { |one| refused(one) }],
          tear_out: tear_out,
          core_out: core_out
        }
      end

      # The regions of one step alone.
      def of_step(id) = regions.select { |one| one[:step] == id }

      private

      def turning = @turning ||= @route.steps.select { |step| Route::Turning.cuts?(step.kind) && !step.left_out }
      def safe = turning.reject { |step| why_not(step) }
      def stopped =
        turning.filter_map { |step| (why = why_not(step)) && { step: step.id, why: Message.of("cuts.why.#{why}") } }

      def why_not(step)
        return if step.cuts

        step.unsafe || !step.limit_rpm&.positive? ? "unsafe" : "no_mount"
      end

      def regions = @regions ||= safe.flat_map { |step| step_regions(step) }

      # Out of what is hollowed first: the rough hollow, where it is roughed out.
      def core_out
        step = safe.find { |one| %w[rough_out hollow].include?(one.kind) && !one.done } or return
        form = (step.kind == "rough_out" && @route.rough_form) || @blank.form
        Turn::CoreOut.new(
          step.after.blank.on_centres,
          form,
          belt_nm: StepCutting.slowest_belt_nm(@blank.lathe),
          moisture_pct: step.after.moisture_pct
        ).to_h
      end

      def step_regions(step) = step.cuts.taken.map { |one| plain(step, one.region, *one.to_a.drop(1)) }

      def plain(step, region, first, second, out)
        {
          step: step.id,
          side: region.side,
          kind: region.kind,
          z_mm: [region.from_mm, region.to_mm],
          direction: direction(region),
          **chosen(step, first, second),
          **first ? pushed(first, region, step) : {},
          **measures(region),
          out: out.reject { |key, _| key == first&.tool&.key }.map { |key, why| { tool: key, why: why } }
        }
      end

      def chosen(step, first, second)
        {
          tool: first&.tool&.key,
          finish_tool: first && first.finish_tool != first.tool ? first.finish_tool.key : nil,
          second: second&.tool&.key,
          how: first && SCHOOLS.fetch(first.tool.scraping?),
          rpm: step.limit_rpm
        }
      end

      def pushed(use, region, step)
        number, belt_nm = step.cuts.belt || []
        {
          force_n: use.force_n,
          allowed_n: use.allowed_n,
          torque_nm: use.torque_nm,
          belt: number,
          belt_torque_nm: belt_nm,
          power_w: Turn::Cutting.power_w(use.force_n, 2 * region.largest_mm, step.limit_rpm),
          chip_mm: use.chip_mm,
          leave_mm: use.leave_mm,
          change_mm: use.change_mm,
          minutes: use.minutes.map { |minutes| minutes * step.cuts.factor },
          sharpen_every_min: use.sharpen_every_min,
          bend_mm: use.bend_mm,
          hand_n: Turn::Cutting.hand_n(region.overhang_mm)
        }
      end

      def measures(region)
        {
          air_share: region.air_share,
          overhang_mm: region.overhang_mm,
          depth_mm: region.depth_mm,
          down_mm: region.down_mm,
          volume_ml: region.volume_ml,
          area_cm2: region.area_cm2,
          largest_mm: region.largest_mm,
          wall_mm: region.wall_mm,
          wall_step_mm: region.wall_mm && Turn::Cutting.wall_step_mm(region.wall_mm, @blank.material.density_kg_m3),
          look_at: region.ids,
          swath: region.swath
        }
      end

      def direction(region)
        return "edge_to_centre" if %w[face foot].include?(region.side)

        DIRECTIONS.dig(@blank.material.grain, region.side) || "either"
      end

      # Why nothing is safe there: what most tools fail by.
      def refused(region)
        reasons = region[:out].map { |one| one[:why] }.reject { |why| %w[side grain].include?(why) }
        why = reasons.tally.max_by(&:last)&.first || "side"
        { step: region[:step], side: region[:side], z_mm: region[:z_mm], why: Message.of("cuts.why.#{why}") }
      end

      def tear_out
        Table["tools"]["tear_out"].map do |row|
          { key: row["key"], min_per_dm2: row["min_per_dm2"], wall_mm: row["wall_mm"] }
        end
      end
    end
  end
end
