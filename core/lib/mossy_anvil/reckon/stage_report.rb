# frozen_string_literal: true

module MossyAnvil
  # Everything reckoned of one stage, as plain data, each number with its working.
  class StageReport
    DERIVED = { certainty: :derived, source: "Geometry on the cylindrical grid" }.freeze

    # solid: the Assessment's SolidWork, shared by the stages.
    def initialize(name, solid, workings)
      @name = name
      @solid = solid
      @blank = solid.blank
      @lathe = @blank.lathe
      @workings = workings
      @stage = Stage.new(name, solid.grid, @blank)
      @mass = MassProperties.new(solid.grid, solid.density_sums, @stage)
      @burst = solid.burst(@stage, @mass)
    end

    def to_h
      body.merge(holding).merge(speeds).then { |report| report.merge(meeting(report[:limit_rpm])) }
    end

    # rpm to stay below, by itself.
    def limit_rpm = StageLimit.new(caps, @lathe).rpm

    private

    def put(key, value, unit, formula, inputs: {}, **about)
      @workings.put("/stages/#{@name}/#{key}", value: value, unit: unit, formula: formula, inputs: inputs, **DERIVED, **about)
    end

    def body
      { volume_mm3: put("volume_mm3", @mass.volume_mm3, "mm3", "wood within the stage, summed over the grid, exact in radius"),
        mass_g: put("mass_g", @mass.mass_g, "g", "density times volume, defects at their own density",
          inputs: { "density as it stands" => [@blank.material.density_kg_m3, "kg/m3"], "volume" => [@mass.volume_mm3, "mm3"] }),
        centre_of_mass_mm: @mass.centre_of_mass_mm,
        imbalance_g_mm: put("imbalance_g_mm", @mass.imbalance_g_mm, "g mm", "sum of mass times radius, as a vector; its length",
          source: "Textbook mechanics, on the cylindrical grid", inputs: { "mass" => [@mass.mass_g, "g"] }),
        heavy_clock_deg: heavy_side,
        swing_mm: put("swing_mm", @stage.swing_mm, "mm", "twice the farthest wood from the axis, corners and wings included"),
        runs_true: @stage.true_running?, fragile: fragile?, counterweight: counterweight, recentre: recentre }
    end

    def heavy_side
      put("heavy_clock_deg", @mass.heavy_clock_deg(@stage.swing_mm), "clock", "the hour the imbalance vector points to; none where it balances",
        source: "Textbook mechanics, on the cylindrical grid", inputs: { "imbalance" => [@mass.imbalance_g_mm, "g mm"] })
    end

    # Where the centres would go so that it balances; nil where it lies so near already that a weight or a slow start does.
    def recentre
      offset = @mass.mass_g.zero? ? 0.0 : @mass.imbalance_g_mm / @mass.mass_g
      return if offset <= Table["speed"]["recentre_over_mm"]

      { clock_deg: @mass.heavy_clock_deg(@stage.swing_mm),
        mm: put("recentre/mm", offset, "mm", "imbalance over mass: how far the centre of mass lies off the axis", source: "Textbook mechanics",
          inputs: { "imbalance" => [@mass.imbalance_g_mm, "g mm"], "mass" => [@mass.mass_g, "g"] }) }
    end

    # nil where it balances, and where the weight would be more than a share of the piece: that is no longer a weight one hangs on.
    def counterweight
      return unless @mass.heavy_clock_deg(@stage.swing_mm)

      radius = Table["speed"]["counterweight_at_share_of_radius"] * @stage.swing_mm / 2
      return if Balance.counterweight_g(@mass.imbalance_g_mm, radius) > Table["speed"]["counterweight_most_share"] * @mass.mass_g

      { radius_mm: radius, clock_deg: Clock.fold(@mass.heavy_clock_deg(@stage.swing_mm) + 180),
        mass_g: put("counterweight/mass_g", Balance.counterweight_g(@mass.imbalance_g_mm, radius), "g",
          "imbalance over the radius it hangs at", source: "Textbook mechanics",
          inputs: { "imbalance" => [@mass.imbalance_g_mm, "g mm"], "radius" => [radius, "mm"] }) }
    end

    def holding
      weakest = @burst.weakest
      { burst_rpm: put("burst_rpm", weakest.burst_rpm, "rpm",
        "speed at which the pull of the heavier half uses up the wood of the weakest plane through the axis: eccentric tension on the strength-weighted section",
        source: "Textbook bending with axial load; #{Table['strength']['wood']['source']}", certainty: :rule_of_thumb,
        inputs: { "strength across the fibres" => [@blank.material.strength_across_mpa, "MPa"],
                  "strength against this pull" => [@blank.material.strength_mpa(weakest.clock_deg + 90), "MPa"],
                  "mass" => [@mass.mass_g, "g"] }),
        weak_plane_clock_deg: put("weak_plane_clock_deg", weakest.clock_deg, "plane", "the plane through the axis that splits at the lowest speed",
          certainty: :rule_of_thumb, source: "Every angle of the grid tried", inputs: { "splits at" => [weakest.burst_rpm, "rpm"] }),
        burst_work_rpm: weakest.burst_rpm && put("burst_work_rpm", weakest.burst_rpm / Math.sqrt(@solid.climate.burst_reserve), "rpm",
          "burst speed over the square root of the reserve", certainty: :rule_of_thumb,
          source: Table["strength"]["burst_reserve"]["source"],
          inputs: { "burst speed" => [weakest.burst_rpm, "rpm"], "reserve on load" => [@solid.climate.burst_reserve, ""] }),
        crack_runs_rpm: crack_runs, crack_runs_at: runs.min_by(&:runs_rpm)&.ids || [], allowed_side_force_n: nil, side_force_at: nil }.merge(side_force)
    end

    def runs = @runs ||= @solid.crack_runs(@stage, @burst)
    # The one to stay below, and the one that runs first.
    def governing_run = runs.min_by(&:limit_rpm)

    def crack_runs
      first = runs.min_by(&:runs_rpm) or return

      put("crack_runs_rpm", first.runs_rpm, "rpm", "speed at which the stress at the tip of the worst open crack, or of what opens the wall, reaches the toughness of the wood",
        source: "Edge crack after Tada, short crack after Newman and Raju, through a wall after Folias; toughness from the Wood Handbook", certainty: :rule_of_thumb,
        inputs: { "toughness along the fibres" => [@blank.material.toughness_mpa_sqrt_m, "MPa m^1/2"] })
    end

    def side_force
      return {} unless @stage.hollow? && @solid.least_wall

      weak = @solid.weakest_wall
      { allowed_side_force_n: put("allowed_side_force_n", weak.force_n, "N", "side force that brings the wall at its weakest place, as a ring, to half of its strength there",
        source: "Textbook curved bar", certainty: :rule_of_thumb,
        inputs: { "wall there" => [weak.wall_mm, "mm"], "from the head" => [weak.z_mm, "mm"], "radius there" => [weak.radius_mm, "mm"],
                  "share of strength there" => [weak.local_share, ""], "lever" => [weak.opened ? WallForce::CRACKED_THROUGH : WallForce::WHOLE, ""] }),
        side_force_at: { z_mm: weak.z_mm, wall_mm: weak.wall_mm, share: weak.local_share, opened: weak.opened },
        cuts_taken: WallForce.cuts_taken(weak.force_n).map { |cut| cut["name"] } }
    end

    def speeds
      limit = StageLimit.new(caps, @lathe)
      rpm = put("limit_rpm", limit.rpm, "rpm", "the lowest of all caps on this stage; here: #{limit.governed_by}",
        certainty: :rule_of_thumb, source: "Each cap shows its own", inputs: limit.caps.to_h { |cap| [cap.key, [cap.rpm, "rpm"]] })
      { limit_rpm: rpm, governed_by: limit.governed_by, lifts_it: limit.lowest.lift, not_like_this: limit.not_like_this?,
        caps: limit.caps.map { |cap| { key: cap.key, name: cap.name, rpm: cap.rpm, lifts_it: cap.lift } },
        ladder_rpm: ladder(rpm), belt: @lathe&.belt_for(rpm) }
    end

    def ladder(limit_rpm)
      rungs = @lathe ? Ladder.rungs(limit_rpm, @lathe.min_rpm) : []
      row = Table["speed"]["ladder"]
      rungs.each_with_index do |rung, index|
        put("ladder_rpm/#{index}", rung, "rpm",
          "from the higher of the lathe's slowest and #{(row['starts_at_share'] * 100).round} % of the limit, up by quarters to the limit",
          certainty: :rule_of_thumb, source: row["source"], inputs: { "limit" => [limit_rpm, "rpm"], "lathe's slowest" => [@lathe.min_rpm, "rpm"] })
      end
    end

    def caps
      { "swing" => too_much(@stage.swing_mm, @lathe&.swing_mm), "length" => too_much(@blank.shape.length_mm, @lathe&.between_centres_mm),
        "lathe" => @lathe&.max_rpm, "rim" => rim_rpm, "imbalance" => imbalance_rpm,
        "burst" => @burst.weakest.burst_rpm && (@burst.weakest.burst_rpm / Math.sqrt(@solid.climate.burst_reserve)),
        "crack" => governing_run&.limit_rpm, "cross_section" => cross_section_rpm, "heat" => heat_rpm, "loose_piece" => loose_rpm, "freed_piece" => @solid.freed.any? ? 0.0 : nil }
    end

    # Speed that what cracks square to the axis leave of a section bears.
    def cross_section_rpm
      row = Table["speed"]["cross_section"]
      CrossSections.new(@blank, @stage, @solid.grid).limit_rpm(CrossSections::Load.new(force_n: row.fetch(@name.to_s), mass_g: @mass.mass_g,
        imbalance_g_mm: @mass.imbalance_g_mm, reserve: row["reserve"]))
    end

    def heat_rpm
      speed = Heat.surface_m_s(@blank.material) or return
      put("heat_rpm", Rim.rpm(speed, @stage.swing_mm), "rpm", "surface speed that the stock takes without softening, over pi times the swing", certainty: :rule_of_thumb,
        source: Table["speed"]["heat"]["source"],
        inputs: { "softens from" => [@blank.material.soft_from_c, "C"], "surface speed" => [speed, "m/s"], "swing" => [@stage.swing_mm, "mm"] })
    end

    # No speed at all for what does not fit the lathe.
    def too_much(size_mm, room_mm) = room_mm && size_mm > room_mm ? 0.0 : nil

    def rim_rpm
      cap = Rim.cap_m_s(fragile: fragile?, true_running: @stage.true_running?)
      put("rim_rpm", Rim.rpm(cap, @stage.swing_mm), "rpm", "rim speed allowed over pi times the swing", certainty: :rule_of_thumb,
        source: Table["speed"]["rim_source"],
        inputs: { "rim speed" => [cap, "m/s"], "swing" => [@stage.swing_mm, "mm"] })
    end

    def imbalance_rpm
      return unless @lathe

      rpm = Balance.limit_rpm(@mass.imbalance_g_mm, @lathe)
      rpm = nil if rpm && rpm > 1e6
      put("imbalance_rpm", rpm, "rpm", "speed at which shaking reaches the share of weight the stand takes", certainty: :rule_of_thumb,
        source: Table["speed"]["shaking_source"],
        inputs: { "imbalance" => [@mass.imbalance_g_mm, "g mm"], "lathe, stand and ballast" => [@lathe.total_kg, "kg"],
                  "share of weight" => [Table["speed"]["shaking_share"].fetch(@lathe.stand), ""] })
    end

    def loose_rpm
      left_at_stage.select { |defect| defect.type == "loose_piece" }.filter_map do |piece|
        # By the box that its bond is told of: the heavier of box and ellipsoid, on the safe side.
        mass_g = @blank.material.density_kg_m3 * piece.box_mm3 * 1e-6
        LoosePiece.limit_rpm(mass_g: mass_g, radius_mm: piece.radius_mm, size_mm: piece.size_mm, bonded_share: piece.detail[:bonded_share])
      end.min
    end

    # What this stage's speed means for an edge that is knocked and for a piece that lets go.
    def meeting(limit_rpm)
      { interrupted_cut: interrupted_cut(limit_rpm), loose_pieces: loose_pieces(limit_rpm) }
    end

    # The circle of this stage's skin that is most in the air as it is cut; nil where the edge never leaves the wood.
    def interrupted_cut(limit_rpm)
      circle = MostAir.new(@blank, @solid.grid, @stage).circle or return
      share = put("interrupted_cut/air_share", circle.air_share, "share", "share of one turn, at the circle most in the air, that the edge is out of the wood",
        inputs: { "radius" => [circle.radius_mm, "mm"], "off the head" => [circle.z_mm, "mm"] })
      knocks = put("interrupted_cut/knocks_per_s", circle.knocks_per_s(limit_rpm), "a second", "gaps in a turn times turns a second",
        inputs: { "gaps" => [circle.gaps, ""], "speed" => [limit_rpm, "rpm"] })
      { radius_mm: circle.radius_mm, z_mm: circle.z_mm, air_share: share, gaps: circle.gaps, knocks_per_s: knocks,
        advice: CuttingCircle.advice(circle.air_share)["advice"] }
    end

    # Every half-held piece still there, and every one that cracks free, with the energy it would fly off with at this stage's limit.
    def loose_pieces(limit_rpm)
      rpm = [limit_rpm, @lathe&.min_rpm || 0].max
      (half_held + cut_free).each_with_index.map do |(id, volume_mm3, radius_mm), index|
        mass_g = volume_mm3 * @blank.material.density_kg_m3 * 1e-6
        { id: id, mass_g: mass_g,
          throw_energy_j: put("loose_pieces/#{index}/throw_energy_j", LoosePiece.throw_energy_j(mass_g, radius_mm, rpm), "J",
            "half its mass times its speed squared, where it lets go", source: "Textbook mechanics",
            inputs: { "mass" => [mass_g, "g"], "radius" => [radius_mm, "mm"], "speed" => [rpm, "rpm"] }) }
      end
    end

    def half_held = left_at_stage.select { |defect| defect.type == "loose_piece" }.map { |piece| [piece.id, piece.box_mm3, piece.radius_mm] }
    def cut_free = @solid.freed.map { |piece| [piece.ids.join("+"), piece.volume_mm3, piece.radius_mm] }

    def fragile? = left_at_stage.any?(&:fragile?) || @solid.freed.any? || (@stage.hollow? && !@solid.openings.none?)
    def left_at_stage = @solid.left_at(@name)
  end
end
