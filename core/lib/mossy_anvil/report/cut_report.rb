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
        @tools = Model::CuttingTool.all(about.delete(:tools))
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

      def turning = @turning ||= @route.steps.select { |step| cuts_of(step).any? && !step.left_out }
      def safe = turning.reject { |step| why_not(step) }
      def stopped =
        turning.filter_map { |step| (why = why_not(step)) && { step: step.id, why: Message.of("cuts.why.#{why}") } }

      def why_not(step)
        return "unsafe" if step.unsafe || !step.limit_rpm&.positive?

        "no_mount" if step.needs.mount.nil?
      end

      def regions = @regions ||= safe.flat_map { |step| step_regions(step) }

      def cuts_of(step) = (@cuts ||= {})[step.id] ||= step_cuts(step).of(step.kind)

      # Before it is roughed out nothing is hollow yet.
      def step_cuts(step)
        roughed = @route.steps.take_while { |one| one.id != step.id }.any? { |one| one.kind == "rough_out" }
        rough = step.kind == "rough_out" || (roughed && %w[hollow retrue].include?(step.kind)) ? @route.rough_form : nil
        Turn::StepCuts.new(@blank, rough: rough)
      end

      # Out of what is hollowed first: the rough hollow, where it is roughed out.
      def core_out
        step = safe.find { |one| %w[rough_out hollow].include?(one.kind) && !one.done } or return
        form = (step.kind == "rough_out" && @route.rough_form) || @blank.form
        Turn::CoreOut.new(piece(step), form, belt_nm: slowest_belt_nm, moisture_pct: step.after.moisture_pct).to_h
      end

      def slowest_belt_nm
        lathe = @blank.lathe or return
        power_w = lathe.power_w || Table["tools"]["unsaid_power_w"]
        Turn::Cutting.belt_torque_nm(power_w, lathe.belts.map { |belt| belt[:max_rpm] }.min)
      end

      # The piece as the mending before that step leaves it.
      def piece(step) = (@pieces ||= {})[step.after.blank] ||= step.after.blank.on_centres

      def step_regions(step)
        found =
          Turn::CutRegions.new(
            piece(step),
            mouth_mm: step_cuts(step).mouth_mm,
            walls: walls(step),
            mount_n: ->(z_mm) { mounts(step).borne_n(Route::Turning::HELD_IN.fetch(step.kind), z_mm) }
          )
        choice = Turn::ToolChoice.new(@tools, @blank.material, moisture_pct: wet(step), belt_nm: belt(step)&.last)
        cuts_of(step).flat_map { |cut| found.of(cut) }.map { |region| plain(step, region, *choice.for(region)) }
      end

      # The finished wall, where it is cut to or pushed at in that step.
      def walls(step)
        return unless step.kind == "hollow"

        (@walls ||= {})[piece(step)] ||= begin
          shares = Solid::DefectShares.of(piece(step))
          Turn::WeakestWall.new(piece(step), shares, Turn::WallOpenings.new(piece(step), shares))
        end
      end

      def mounts(step) = @route.mount_report(step.after)
      def wet(step) = step.after.moisture_pct

      # [number of the belt, N m it gives] at the step's speed; nil without a lathe.
      def belt(step)
        lathe = @blank.lathe or return
        number = lathe.belt_for([step.limit_rpm, lathe.max_rpm].min)
        power_w = lathe.power_w || Table["tools"]["unsaid_power_w"]
        number && [number, Turn::Cutting.belt_torque_nm(power_w, lathe.belts[number - 1][:max_rpm])]
      end

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
          out: out.map { |key, why| { tool: key, why: why } }
        }
      end

      def chosen(step, first, second)
        {
          tool: first&.tool&.key,
          second: second&.tool&.key,
          how: first && SCHOOLS.fetch(first.tool.scraping?),
          rpm: step.limit_rpm
        }
      end

      def pushed(use, region, step)
        number, belt_nm = belt(step)
        {
          force_n: use.force_n,
          allowed_n: use.allowed_n,
          torque_nm: use.torque_nm,
          belt: number,
          belt_torque_nm: belt_nm,
          power_w: Turn::Cutting.power_w(use.force_n, 2 * region.largest_mm, step.limit_rpm),
          chip_mm: use.chip_mm,
          leave_mm: use.leave_mm,
          minutes: use.minutes,
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
