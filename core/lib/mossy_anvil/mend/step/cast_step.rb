# frozen_string_literal: true

module MossyAnvil
  # A pour into a mould: how much, in what layers and cups, how hot it gets, what it lifts, when it comes out.
  class CastStep < MendStep
    # How much longer than likely a wait in the mould may be; the share of the rim's limit that a casting is started at.
    LATE, START_SHARE = 1.3, 0.4

    def name = defects.empty? ? "Cast it in #{resin.name}" : "Cast #{ids} in #{resin.name}"
    def gate_pct = resin.row["dry_to_pct"].to_f
    def hands_min = 60 + (plan.layers.size * 15) + (cups * 5)
    def working_min = plan.batches.first.working_min
    def ready_h = own_wait_h || (last_pour_h + demould_h)
    def ready_late_h = own_wait_h || (ready_h * LATE)
    def cure_h = last_pour_h + (resin.row["cure_d"] * 24 * ready_factor)
    def softens_c = resin.row["soft_from_c"]
    def seals? = true
    def tools = ["scale to the gram", "cups and sticks", "level", "release", *("pressure pot" if data[:air] == "pressure"), *("vacuum vessel" if data[:air] == "vacuum")]

    def cautions
      ["Gloves, eyes, moving air; no more than {cup} in one cup, or it heats by itself.".sub("{cup}", "#{resin.row['cup_limit_g']} g"),
       ("Pressure: the pot's own rating, relief valve and gauge looked at, let down before opening." if data[:air] == "pressure"),
       ("Vapour of this resin harms: outdoors or a mask for it, as its sheet says." if %w[polyester polyurethane].include?(resin.row["class"])),
       "The product's own sheet replaces every number here."].compact
    end

    def materials
      plan.parts_g.zip(%w[resin hardener]).map do |grams, part|
        Taken.new(key: resin.key, name: "#{resin.name}, #{part}", amount: grams, unit: "g", cost: grams * resin.row["price_per_g"], part: part)
      end
    end

    def detail
      { resin: resin.row.slice("key", "name", "class", "working_min", "layer_mm", "dry_to_pct", "cup_limit_g", "demould_h", "cure_d", "peak_c").compact.transform_keys(&:to_sym),
        mould: mould_detail, wood_ml: wood_mm3 / 1000, wood_by: data.dig(:wood, :by) || "survey", net_ml: net_ml, mix_g: mix_g, part_a_g: plan.parts_g[0], part_b_g: plan.parts_g[1],
        density_g_ml: resin.density_g_ml, hardener_per_hundred: resin.hardener_per_hundred, loss_pct: loss_share * 100, records: scene.records.count("loss_share"),
        layers: plan.to_a, cups: cups, at_once_c: at_once_c, deepest_mm: deepest_mm, sheet_mm: resin.row["layer_mm"].to_f, colours: colours, lift_n: lift_n, hold_down_g: hold_down_g,
        bubble_mm: bubble_mm, pot: pot, insert: insert, heat: plan.picture, standing: plan.standing, last_pour_h: last_pour_h, demould_h: demould_h, pieces: sawn }
    end

    def says = CastFindings.new(self, detail, scene).to_a

    def lines = CastLines.new(self, detail).to_a

    # What is cast fills the openings named; a casting round the whole is another blank, to be surveyed as it comes out of the mould.
    def after = scene.mended(defects.select { |defect| defect.type == "void" || defect.crack? }.to_h { |defect| [defect.id, filled(defect)] })

    # used_g over what the mould took is this shop's loss; gel_min over the time reckoned its pace.
    def verdict(measures)
      loss = measures["used_g"] && ((measures["used_g"] / (net_ml * resin.density_g_ml)) - 1)
      pace = measures["gel_min"] && (measures["gel_min"] * 60 / plan.gelled_after_last_s)
      { says: [(loss && say(:plain, "{g} mixed: {loss} more than the mould took.", g: [measures["used_g"], "g"], loss: [loss * 100, "%"])),
               (pace && say(:plain, "Gelled in {share} of the time reckoned.", share: [pace * 100, "%"]))].compact,
        records: [*(loss ? record("loss_share", loss) : []), *(pace ? record("cure_factor", pace, of: resin.key) : [])], lines: [] }
    end

    # Lines that bring up a pour that fell short by so many mm: what to mix, and by when. hours since the last pour.
    def rescue_short(short_mm, hours)
      grams = put("rescue/g", (mould.surface_mm2 * short_mm * net_share / 1000 * resin.density_g_ml * (1 + loss_share)) + cup_g, "g",
        "surface times what is missing, less what the wood takes of it, loss and cup on top", source: Table["casting"]["source"], certainty: :derived,
        inputs: { "short by" => [short_mm, "mm"], "surface" => [mould.surface_mm2, "mm2"] })
      CastLines.new(self, detail).rescue_lines(plan.more(grams), hours)
    end

    # Public for what speaks of it.
    def resin = @resin ||= Resin.of(data[:with] || "casting_epoxy", sheet: (data[:sheet] || {}).transform_keys(&:to_s), at: "#{at}/with")
    def mould = @mould ||= Mould.new(data[:mould] || fault("mould", "is missing", "a mould to pour into"), at: "#{at}/mould")
    def plan = @plan ||= PourPlan.new(self, scene)
    def air_c = data[:night_c] ? method(:swing_c) : scene.shop_c
    def start_c = data[:resin_c] || scene.shop_c
    def lines_for_card(...) = line(...)

    def kinetics
      @kinetics ||= resin.kinetics(at: "#{at}/sheet")
    end

    def record_factor = scene.records.mean("cure_factor", resin.key) || 1.0

    def mix_g
      @mix_g ||= put("mix_g", casting.mix_g, "g", "net volume times density of the mix, loss on top, and what stays in the cups",
        source: scene.records.source("loss_share", Table["casting"]["source"]),
        inputs: { "net" => [casting.net_mm3, "mm3"], "density of the mix" => [resin.density_g_ml, "g/ml"], "loss" => [loss_share * 100, "%"], "cup" => [casting.cup_g, "g"] })
    end

    def net_ml
      @net_ml ||= put("net_ml", casting.net_mm3 / 1000, "ml", "mould less what lies in it", certainty: data[:wood] ? :measured : :derived,
        source: data[:wood] ? "Your own measure of what lies in it" : "Geometry; the wood without its open cracks and holes",
        inputs: { "mould" => [mould.volume_mm3, "mm3"], "in it" => [wood_mm3, "mm3"] })
    end

    private

    def rescue_lines(key, amount, hours) = %w[short leaks].include?(key) && amount ? rescue_short(amount, hours) : []

    def after_trouble(key, amount)
      return [] unless key == "floated"

      given = insert or return [say(:care, "Measure where it lies before it is turned.")]
      off = [given[:most_offset_mm], amount].min
      [off < amount ? say(:stop, "{off} off, it shakes more than the stand takes at {start}: at most {most}.", off: [amount, "mm"], start: [given[:start_rpm], "rpm"], most: [given[:most_offset_mm], "mm"]) : say(:go, "{off} off is within the {most} the stand takes.", off: [amount, "mm"], most: [given[:most_offset_mm], "mm"])]
    end

    def cup_g = data[:cup_g] || Casting::CUP_G
    def loss_share = data[:loss_pct] ? data[:loss_pct] / 100.0 : scene.records.mean("loss_share") || Casting::LOSS_SHARE
    def cups = plan.batches.sum(&:count)
    def net_share = net_ml * 1000 / mould.volume_mm3

    # The shop's temperature over a day, warmest when it is poured.
    def swing_c(time_s)
      day, night = scene.shop_c, data[:night_c]
      ((day + night) / 2.0) + ((day - night) / 2.0 * Math.cos(2 * Math::PI * time_s / 86_400))
    end

    # One cup's rest for every layer.
    def casting
      @casting ||= Casting.new(resin: resin, mould_mm3: mould.volume_mm3, wood_mm3: wood_mm3, loss_share: loss_share, cup_g: cup_g * plan.layers.size).tap { |cast| fits(cast) }
    end

    def fits(cast)
      return if cast.net_mm3.positive?

      fault("mould/depth_mm", "makes a mould of #{(mould.volume_mm3 / 1000).round} ml", "more than what lies in it, #{(wood_mm3 / 1000).round} ml")
    end

    # What the resin has to go round: by its weight, by what it pushes aside, else by the survey: without open cracks and pockets, which it runs into.
    def wood_mm3
      @wood_mm3 ||= case data.dig(:wood, :by)
                    when "weight" then data[:wood][:value] / scene.blank.material.density_kg_m3 * 1e6
                    when "displacement" then data[:wood][:value] * 1000.0
                    else surveyed_mm3
                    end
    end

    def surveyed_mm3
      standing = scene.blank.with_form(nil)
      open = DefectShares.of(standing).sum { |defect, share| defect.open? && share.reaches_surface? ? share.open_mm3 : 0.0 }
      scene.assessed[:stages].values.first[:volume_mm3] - open
    end

    def mould_detail
      { type: mould.type, ml: mould.volume_mm3 / 1000, depth_mm: mould.depth_mm, inside_mm: mould.inside_mm, outside_across_mm: mould.outside_across_mm,
        outside_depth_mm: mould.outside_depth_mm, room_beside_mm: data[:wood] ? nil : mould.room_beside_mm(*wood_across),
        cut_list: mould.cut_list.map { |piece, count, long, wide| { piece: piece, count: count, long_mm: long, wide_mm: wide } } }
    end

    def wood_across
      shape = scene.blank.shape
      shape.is_a?(Block) ? [shape.width_mm, shape.height_mm] : [2 * shape.max_radius_mm] * 2
    end

    def at_once_c
      @at_once_c ||= put("at_once_c", plan.at_once.peak_c, "C", "hottest that the whole depth comes to in one pour, heat lost above and below only: on the safe side",
        source: CureKinetics.table["source"], inputs: { "depth" => [mould.depth_mm, "mm"], "working time" => [resin.row["working_min"], "min"], "shop" => [scene.shop_c, "C"],
                                                        "resin" => [start_c, "C"] })
    end

    def deepest_mm
      @deepest_mm ||= put("deepest_mm", plan.deepest_mm, "mm", "deepest pour that stays under the peak that is fine", source: CureKinetics.table["source"],
        inputs: { "fine up to" => [CureKinetics.table["peaks_c"]["fine"], "C"] })
    end

    def lift_n
      @lift_n ||= put("lift_n", Casting.lift_n(wood_mm3, wood_kg_m3, resin.density_g_ml), "N", "resin pushed aside less the weight of what lies in it; below nothing it sinks",
        source: "Archimedes", certainty: :derived,
        inputs: { "in it" => [wood_mm3, "mm3"], "its density" => [wood_kg_m3, "kg/m3"], "density of the mix" => [resin.density_g_ml, "g/ml"] })
    end

    def hold_down_g = [lift_n / Balance::GRAVITY_M_S2 * 1000, 0].max
    # By its own weight over its volume where both were measured; the blank's density else.
    def wood_kg_m3 = data.dig(:wood, :mass_g) ? data[:wood][:mass_g] / wood_mm3 * 1e6 : scene.blank.material.density_kg_m3

    # Diameter of a bubble as mixed, once it is under pressure: as the cube root of the pressure.
    def bubble_mm
      return unless data[:pot]

      put("bubble_mm", Table["casting"]["bubble_mm"] * ((1 + data[:pot][:bar])**(-1 / 3.0)), "mm", "its diameter as mixed over the cube root of the pressure, the air's counted in",
        source: "Boyle", certainty: :derived, inputs: { "as mixed" => [Table["casting"]["bubble_mm"], "mm"], "over the air" => [data[:pot][:bar], "bar"] })
    end

    def pot
      given = data[:pot] or return
      room = 2 * Table["casting"]["pot_room_mm"]
      { within_rating: given[:bar] <= given[:rated_bar], fits: mould.outside_across_mm + room <= given[:diameter_mm] && mould.outside_depth_mm <= given[:depth_mm],
        bar: given[:bar].to_f, rated_bar: given[:rated_bar].to_f }
    end

    # What an insert off its middle does to the balance of the casting, and how far off it may be.
    def insert
      lathe = scene.blank.lathe or return
      per_mm = (resin.density_g_ml * 1000 - wood_kg_m3).abs * wood_mm3 * 1e-6
      return if per_mm < 1e-6 || data[:wood]

      start = [lathe.min_rpm, START_SHARE * Rim.rpm(Rim.cap_m_s(fragile: false, true_running: false), mould.outside_across_mm)].max
      allowed = Table["speed"]["shaking_share"].fetch(lathe.stand) * lathe.total_kg * Balance::GRAVITY_M_S2 / (1e-6 * ((start / Balance::RPM)**2))
      { imbalance_g_mm: per_mm * (data[:offset_mm] || 0), start_rpm: start,
        most_offset_mm: put("insert/most_offset_mm", allowed / per_mm, "mm", "imbalance that the stand takes at the speed it is started at, over what one mm makes",
          source: Table["speed"]["shaking_source"], inputs: { "started at" => [start, "rpm"], "one mm makes" => [per_mm, "g mm"] }) }
    end

    def colours
      (data[:colours] || []).map do |colour|
        grams = mix_g * colour[:share]
        { name: colour[:name], g: grams, pigment_g: grams * (colour[:pigment_pct] || 0) / 100.0, pigment_pct: (colour[:pigment_pct] || 0).to_f }
      end
    end

    def last_pour_h = plan.last_pour_s / 3600 * record_factor
    # Out of the mould: as the sheet says at this temperature, and never before the last layer has gelled.
    def demould_h = [resin.row["demould_h"] * ready_factor * record_factor, plan.gelled_after_last_s / 3600 * record_factor].max

    def sawn
      count = data[:pieces] or return
      long = mould.round? ? mould.depth_mm : mould.inside_mm.max
      kerf = Table["casting"]["mould"]["kerf_mm"]
      { count: count, each_mm: put("pieces/each_mm", (long - ((count - 1) * kerf)) / count, "mm", "its length less the cuts, shared", source: "Geometry", certainty: :derived,
        inputs: { "long" => [long, "mm"], "each cut" => [kerf, "mm"] }) }
    end

    def filled(defect)
      return PathDefect.new(**defect.to_document, mend: "resin") if defect.crack?

      BodyDefect.new(id: defect.id, type: "resin_body", centre: { clock_deg: defect.clock_deg, r_mm: defect.radius_mm, z_mm: defect.z_mm }, size_mm: defect.size_mm,
        detail: { density_kg_m3: resin.density_g_ml * 1000 })
    end
  end
end
