# frozen_string_literal: true

module MossyAnvil
  # One pour round the blank as it stands, as plain data, each number with its working.
  class CastingReport
    SIZES = { "box" => %i[width_mm length_mm depth_mm], "tube" => %i[diameter_mm depth_mm] }.freeze

    # pour: { mould: { type:, ...sizes in mm }, resin: key of the resins table, loss_pct: }; loss_pct may be left out.
    # Raises InvalidInput with pointers under `at`.
    def initialize(blank, pour, at: "")
      @blank = blank
      @at = at
      @mould = pour[:mould]
      check_sizes
      @resin = Resin.of(pour[:resin], at: "#{at}/resin")
      @cast = Casting.new(resin: @resin, mould_mm3: Casting.mould_mm3(@mould), wood_mm3: wood_mm3, loss_share: (pour[:loss_pct] || (Casting::LOSS_SHARE * 100)) / 100.0)
      refuse_what_does_not_fit
      @workings = Workings.new
    end

    def to_h
      part_a, part_b = @resin.split_g(mix_g)
      { resin: @resin.row.slice("key", "name", "working_min", "layer_mm", "dry_to_pct", "cup_limit_g", "demould_h", "cure_d").transform_keys(&:to_sym),
        net_mm3: net_mm3, mix_g: mix_g, part_a_g: part(:part_a_g, part_a), part_b_g: part(:part_b_g, part_b), cups: @cast.cups,
        layers: (@mould[:depth_mm] / @resin.row["layer_mm"].to_f).ceil, lift_n: lift_n, cautions: cautions, workings: @workings.to_h }
    end

    private

    def check_sizes
      kind = @mould[:type]
      wanted = SIZES.fetch(kind)
      missing, unknown = wanted - @mould.keys, @mould.keys - wanted - [:type]
      faults = [*missing.map { |size| [size, "is missing"] }, *unknown.map { |size| [size, "is no size of a #{kind}"] }].map do |size, problem|
        Fault.new(path: "#{@at}/mould/#{size}", problem: problem, allowed: "a #{kind} needs #{wanted.join(', ')}")
      end
      raise InvalidInput, faults if faults.any?
    end

    # What the resin has to go round: the wood without its open cracks, pockets and holes, which it runs into.
    def wood_mm3
      @wood_mm3 ||= begin
        grid = Grid.new(@blank.shape)
        stage = Stage.new(:blank, grid, @blank)
        sums = RunningSums.new(Field.new(grid, 1.0, []), 1..3)
        MassProperties.new(grid, sums, stage).volume_mm3 - open_mm3
      end
    end

    def open_mm3
      standing = Blank.new(name: @blank.name, material: @blank.material, shape: @blank.shape, defects: @blank.defects)
      DefectShares.of(standing).sum { |defect, share| defect.open? && share.reaches_surface? ? share.open_mm3 : 0.0 }
    end

    def refuse_what_does_not_fit
      return if @cast.net_mm3.positive?

      raise InvalidInput, [Fault.new(path: "#{@at}/mould/#{SIZES.fetch(@mould[:type]).first}", problem: "makes a mould of #{ml(@cast.mould_mm3)} ml",
        allowed: "more than the wood in it, #{ml(wood_mm3)} ml")]
    end

    def ml(volume_mm3) = (volume_mm3 / 1000).round

    def put(key, value, unit, formula, **about) = @workings.put("/#{key}", value: value, unit: unit, formula: formula, certainty: :derived, **about)

    def net_mm3
      put("net_mm3", @cast.net_mm3, "mm3", "mould less the wood in it", source: "Geometry; the wood without its open cracks and holes",
        inputs: { "mould" => [@cast.mould_mm3, "mm3"], "wood" => [wood_mm3, "mm3"] })
    end

    def mix_g
      @mix_g ||= put("mix_g", @cast.mix_g, "g", "net volume times density of the mix, loss on top, and what stays in the cup", source: Table["resins"]["source"],
        inputs: { "net" => [@cast.net_mm3, "mm3"], "density of the mix" => [@resin.density_g_ml, "g/ml"], "loss" => [@cast.loss_share * 100, "%"],
                  "cup" => [@cast.cup_g, "g"] })
    end

    def part(key, grams)
      put(key.to_s, grams, "g", "its share of the mix by mass", source: Table["resins"]["source"],
        inputs: { "to mix" => [mix_g, "g"], "hardener for 100 g of resin" => [@resin.hardener_per_hundred, "g"] })
    end

    def lift_n
      put("lift_n", @cast.lift_n(wood_kg_m3), "N", "resin pushed aside less the wood's own weight; below nothing it sinks", source: "Archimedes",
        inputs: { "wood" => [wood_mm3, "mm3"], "its density" => [wood_kg_m3, "kg/m3"], "density of the mix" => [@resin.density_g_ml, "g/ml"] })
    end

    def wood_kg_m3 = @blank.material.density_kg_m3

    def cautions
      ["Gloves, eyes, moving air; no more than #{@resin.row['cup_limit_g']} g in one cup, or it heats by itself.", too_wet, floats,
       "The product's own sheet replaces every number here."].compact
    end

    def too_wet
      gate = @resin.row["dry_to_pct"]
      "Dry the wood to #{gate} % first: it is given as #{@blank.material.moisture_pct.round(1)} %." if @blank.material.wooden? && @blank.material.moisture_pct > gate
    end

    def floats = @cast.lift_n(wood_kg_m3).positive? ? "The wood floats: glue it down or weigh it down before you pour." : nil
  end
end
