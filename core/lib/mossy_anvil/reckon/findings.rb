# frozen_string_literal: true

module MossyAnvil
  # The sentences an old hand would say, station by station, made from the numbers of an assessment.
  # Each carries its amounts apart from its words, so that a screen can show them in mm or inches,
  # and points at the number whose working it rests on.
  class Findings
    STAGE_WORDS = { blank: "As it stands", rounded: "Rounded", outside: "With the outside turned", hollowed: "Hollowed" }.freeze
    OPENINGS = { stop: "Not like this.", mend: "Mend first.", care: "Go with care.", go: "Go." }.freeze
    HELD_BY_TROUBLE = %w[imbalance burst crack loose_piece].freeze
    SCALE_AGREES = 0.06
    HEAT_APART = "Heat is not counted in these speeds: resin, plastic and horn soften and grab. Short cuts, sharp edges, let it cool; the maker's sheet comes first."
    SPORES = "Spalted wood carries spores: respirator and extraction at source, from the first cut to the last paper."
    LIGHTER_THAN_TABLE = 0.8
    STAND_ASIDE = "Stand out of the line of throw, full face shield on, at every rung."

    # report: the assessment as plain data so far (stages, defects, form, drying, finish).
    def initialize(blank, report)
      @blank = blank
      @report = report
      # The stage to speak of: the first that cannot be run at all, else the last; as it stands where there is no form yet.
      @last_name = report[:stages].find { |_, stage| stage[:not_like_this] }&.first || (report[:form] ? report[:stages].keys.last : :blank)
      @last = report[:stages][@last_name]
    end

    # { survey: [finding], form: ..., mend: ..., turn: ..., finish: ... }; the first of each is its headline.
    def to_h
      { survey: [headline, *survey], form: form, mend: mend, turn: turn, finish: finish }
    end

    # :stop, :mend, :care or :go.
    def verdict
      return :stop if @last[:not_like_this] || @report[:defects].any? { |defect| defect[:verdict] == "stop" }
      return :mend if to_mend.any?

      @last[:fragile] || @report[:stages].any? { |_, stage| HELD_BY_TROUBLE.include?(stage[:governed_by]) } ? :care : :go
    end

    private

    def say(tone, text, figure: nil, **values)
      { tone: tone.to_s, text: text, figure: figure, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }
    end

    def to_mend = @report[:defects].select { |defect| %w[fill soak hold].include?(defect[:verdict]) }

    # What governs the last stage, or the first stage that cannot be run at all.
    def headline
      opening = OPENINGS.fetch(verdict)
      stage = STAGE_WORDS.fetch(@last_name)
      limit = [@last[:limit_rpm], "rpm"]
      figure = "/stages/#{@last_name}/limit_rpm"
      if @last[:not_like_this]
        return say(:stop, "#{opening} #{stage}, it must stay below {limit}, slower than the lathe goes. #{@last[:lifts_it]}", figure: figure, limit: limit)
      end

      why, values = governs
      say({ go: :go, stop: :stop }.fetch(verdict, :care), "#{opening} #{stage}, #{why}; work below {limit}.", figure: figure, limit: limit, **values)
    end

    def governs
      at = ->(key) { [@last[key], "rpm"] }
      case @last[:governed_by]
      when "burst" then ["it splits along {plane} at about {burst}", { plane: [@last[:weak_plane_clock_deg], "plane"], burst: at[:burst_rpm] }]
      when "crack" then ["an open crack runs on by itself at about {runs}", { runs: at[:crack_runs_rpm] }]
      else ["it is held down by #{StageLimit::NAMES.fetch(@last[:governed_by])}", {}]
      end
    end

    def survey
      first = @report[:stages][:blank]
      found = [splits, weight(first), density].compact
      return found << say(:plain, "It balances on this axis.", figure: "/stages/blank/imbalance_g_mm") unless first[:heavy_clock_deg]

      found << say(:care, "Heavy towards {side} by {imbalance}: hang {weight} at {radius} opposite, or start slow.",
        figure: "/stages/blank/counterweight/mass_g", side: [first[:heavy_clock_deg], "clock"], imbalance: [first[:imbalance_g_mm], "g mm"],
        weight: [first[:counterweight][:mass_g], "g"], radius: [first[:counterweight][:radius_mm], "mm"])
    end

    # By its measures and, where it has been on the scale, by that: far apart, one of them is wrong.
    def weight(first)
      mass = [first[:mass_g], "g"]
      scale_g = @blank.readings.select { |reading| reading[:kind] == "mass" }.max_by { |reading| Time.parse(reading[:taken_at]) }&.fetch(:value)
      return say(:plain, "Weighs {mass} by its measures.", figure: "/stages/blank/mass_g", mass: mass) unless scale_g

      expected_g = first[:mass_g] * at_present_moisture
      if (scale_g / expected_g - 1).abs <= SCALE_AGREES
        return say(:plain, "Weighs {scale} on the scale, as its measures say.", figure: "/stages/blank/mass_g",
          scale: [scale_g, "g"])
      end

      say(:care, "The scale says {scale}, its measures {mass}: check the density, the sizes, or what is hidden inside.",
        figure: "/stages/blank/mass_g", scale: [scale_g, "g"], mass: [expected_g, "g"])
    end

    # Wood a good deal lighter than its kind has gone: rot, or the figure is wrong.
    def density
      stock = @blank.material.stock
      return unless stock&.wood? && @blank.material.kind == "wood"

      usual = stock.density_kg_m3 / 1.12 * (1 + (@blank.material.moisture_pct / 100))
      return if @blank.material.density_kg_m3 >= usual * LIGHTER_THAN_TABLE

      say(:care, "{own} is light for #{stock.name}, which is about {usual}: look for rot, or check the weight.",
        own: [@blank.material.density_kg_m3, "kg/m3"], usual: [usual, "kg/m3"])
    end

    # What the drying since the density was taken does to the mass.
    def at_present_moisture
      water = @report[:drying] or return 1.0
      (1 + (water[:moisture_pct] / 100)) / (1 + (@blank.material.moisture_pct / 100))
    end

    # Where it would come apart, unless the headline says so already.
    def splits
      return if @last[:burst_rpm].nil? || @last[:governed_by] == "burst"

      say(:plain, "#{STAGE_WORDS.fetch(@last_name)}, its weakest plane is {plane}: it splits there at about {burst}.", figure: "/stages/#{@last_name}/burst_rpm",
        plane: [@last[:weak_plane_clock_deg], "plane"], burst: [@last[:burst_rpm], "rpm"])
    end

    def form
      made = @report[:form]
      return [say(:plain, "No form drawn yet: the numbers are of the blank as it stands.")] unless made

      [wall_finding(made), floor_finding(made), through_finding(made), cuts_finding].compact
    end

    def wall_finding(made)
      return say(:plain, "Solid: nothing is hollowed.") unless made[:least_wall_mm]

      say(made[:least_wall_mm] < 3 ? :care : :plain, "Thinnest wood {wall}, {z} from the head and {r} from the axis.", figure: "/form/least_wall_mm",
        wall: [made[:least_wall_mm], "mm"], z: [made[:least_wall_at][:z_mm], "mm"], r: [made[:least_wall_at][:r_mm], "mm"])
    end

    def floor_finding(made)
      return unless made[:floor_mm]

      say(made[:floor_mm] < 6 ? :care : :plain, "Floor {floor} on the axis.", figure: "/form/floor_mm", floor: [made[:floor_mm], "mm"])
    end

    def through_finding(made)
      return if made[:breaks_through].empty?

      say(:care, "#{made[:breaks_through].join(', ')} #{made[:breaks_through].one? ? 'goes' : 'go'} through the finished wall.")
    end

    def cuts_finding
      force = @report.dig(:stages, :hollowed, :allowed_side_force_n)
      return unless force

      cuts = @report.dig(:stages, :hollowed, :cuts_taken)
      taken = cuts.empty? ? "not even a light scrape: leave it thicker" : "#{cuts.last} at most"
      say(cuts.size < 2 ? :care : :plain, "At the end the rim takes {force} from the side: #{taken}.", figure: "/stages/hollowed/allowed_side_force_n",
        force: [force, "N"])
    end

    def mend
      filled = @report[:defects].sum { |defect| defect[:fill_volume_mm3] }
      first = filled.positive? ? say(:care, "{fill} to fill in all.", fill: [filled / 1000, "ml"]) : say(:go, "Nothing left to fill.")
      [first, *drying]
    end

    def drying
      water = @report[:drying]
      return [] unless water

      gate = needed_gate(water)
      [say(:plain, "About {now} inside now; this air takes it to {emc}.", figure: "/drying/moisture_pct", now: [water[:moisture_pct], "%"], emc: [water[:emc_pct], "%"]),
       gate && dry_enough(gate), shrinks(water[:shrinkage])].compact
    end

    def shrinks(sizes)
      return unless sizes

      say(:plain, "By then {from} across has become {along} along the rings and {across} across them: a round goes oval.", figure: "/drying/shrinkage/along_rings_mm",
        from: [sizes[:from_mm], "mm"], along: [sizes[:along_rings_mm], "mm"], across: [sizes[:across_rings_mm], "mm"])
    end

    # The driest gate that a filler chosen here asks for; the film finish where nothing is to be filled.
    def needed_gate(water)
      driest = to_mend.filter_map { |defect| defect.dig(:filler, :dry_to_pct) }.min || 12
      water[:targets].select { |target| target[:at_most_pct] >= driest }.min_by { |target| target[:at_most_pct] }
    end

    def dry_enough(gate)
      figure = "/drying/targets/#{gate[:key]}/days"
      limit = [gate[:at_most_pct], "%"]
      return say(:go, "Dry enough for #{gate[:name]} ({limit}).", figure: figure, limit: limit) if gate[:ready]
      return say(:stop, "Never dry enough for #{gate[:name]} ({limit}) in this air: warm it or bag it.", figure: figure, limit: limit) if gate[:out_of_reach]

      early = [gate[:days_early], "days"]
      unless gate[:days_late]
        return say(:care, "Dry enough for #{gate[:name]} ({limit}) in {early} at the earliest; in damper air never.", figure: figure, limit: limit,
          early: early)
      end

      say(:care, "Dry enough for #{gate[:name]} ({limit}) in {early} to {late}.", figure: figure, limit: limit, early: early, late: [gate[:days_late], "days"])
    end

    def turn
      found = @report[:stages].map { |name, stage| turn_stage(name, stage) }.push(say(:care, STAND_ASIDE), *knocks, *throws)
      @blank.material.kind == "wood" ? found : found.push(say(:care, HEAT_APART))
    end

    # The first stage whose cut is out of the wood for a part of each turn.
    def knocks
      name, stage = @report[:stages].find { |_, candidate| candidate[:interrupted_cut] }
      return [] unless name

      cut = stage[:interrupted_cut]
      [say(cut[:air_share] > CuttingCircle::LIGHT_OVER ? :care : :plain,
        "#{STAGE_WORDS.fetch(name)}, {z} from the head and {r} from the axis the edge is in the air for {air} of the turn, {knocks} knocks a second at that limit: #{cut[:advice]}.",
        figure: "/stages/#{name}/interrupted_cut/air_share", z: [cut[:z_mm], "mm"], r: [cut[:radius_mm], "mm"], air: [cut[:air_share] * 100, "%"], knocks: [cut[:knocks_per_s], ""])]
    end

    # Half-held pieces as the lathe would first throw them.
    def throws
      @report[:stages][:blank][:loose_pieces].each_with_index.map do |piece, index|
        say(:care, "Loose piece #{piece[:id]} weighs {mass} and would fly off with {energy}.", figure: "/stages/blank/loose_pieces/#{index}/throw_energy_j",
          mass: [piece[:mass_g], "g"], energy: [piece[:throw_energy_j], "J"])
      end
    end

    def turn_stage(name, stage)
      figure = "/stages/#{name}/limit_rpm"
      word = STAGE_WORDS.fetch(name)
      limit = [stage[:limit_rpm], "rpm"]
      if stage[:not_like_this]
        return say(:stop, "#{word}: not like this. It must stay below {limit}, slower than the lathe goes. #{stage[:lifts_it]}", figure: figure,
          limit: limit)
      end

      say(:plain, "#{word}: up to {limit}, held down by #{StageLimit::NAMES.fetch(stage[:governed_by])}.", figure: figure, limit: limit)
    end

    def finish
      papers = @report[:finish]
      [say(:plain, "Sand P#{papers[:grits].join(' · P')} for #{papers[:finish]}.", figure: "/finish/deepest_mark_mm"),
       say(:care, "Keep it below {speed} under the paper, and keep the paper moving. No hand can rest on it: stop.",
         figure: "/finish/sanding_rpm", speed: [papers[:sanding_rpm], "rpm"]),
       *dust]
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
