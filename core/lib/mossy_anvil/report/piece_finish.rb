# frozen_string_literal: true

module MossyAnvil
  module Report
    # Sanding and finish by part: papers, minutes, what is lost of the wall, coats with their times, the order that lets
    # no part spoil another, and what does not go together.
    class PieceFinish
      # Parts of less than this share of the skin are dealt with as what is beside them.
      LEAST_SHARE = 0.004
      # Whole stock that is neither wood nor cast resin, by what it is to a finish; anything else is plastic.
      STOCK = {
        "horn" => "horn",
        "antler" => "horn",
        "bone" => "horn",
        "shell" => "shell",
        "tagua_nut" => "shell",
        "soapstone" => "stone",
        "alabaster" => "stone",
        "coal" => "stone"
      }.freeze
      # What a part's stuff is to a finish; the stock's own class where it is not named.
      CLASSES = { "resin" => "resin", "filler" => "resin", "bark" => "bark", "stone" => "stone" }.freeze
      # Order in which parts are finished: what must stay clean of the others' finish last.
      ORDER = %w[wood bark horn shell stone plastic resin].freeze
      USES = %w[display handled food wet].freeze

      # blank: with a form, as it is mended when it is finished; climate: ShopClimate. reading: { papers: what
      # FinishReport says of it; least_wall_mm:; moisture_pct: now }. A part is finished by the family chosen for it,
      # else by the one recommended. records: ShopRecords; sheets: { family => what the shop's tin says }, see
      # Finish::Product.
      def initialize(blank, reading, climate:, records: Model::ShopRecords.new, sheets: {})
        @blank = blank.on_centres
        @material = @blank.material
        @climate = climate
        @chosen = blank.finish_choices
        @by_part = blank.finish_by_part
        @reading = reading
        @records = records
        @sheets = sheets
      end

      # Plain data: parts; order: keys of parts as they are finished; conflicts: messages of what does
      # not go together; notes: of what to know before beginning.
      def to_h
        { parts: parts.map(&:to_h), order: order, conflicts: conflicts, notes: notes }
      end

      # Every FinishPart as it is finished: what must stay clean of the others' finish last.
      def in_order = parts.sort_by { |one| [ORDER.index(one.kind), -one.area_cm2] }

      # Nil where the lathe is stopped for it.
      def sanding_rpm = @reading.dig(:papers, :sanding_rpm)

      private

      def parts = @parts ||= areas.map { |(side, stuff), area_cm2| part(side, stuff, area_cm2) }

      # What is too little to be dealt with by itself goes to the stock of its side.
      def areas
        found = Finish::SkinParts.new(@blank).areas
        least = found.values.sum * LEAST_SHARE
        found.each_with_object(Hash.new(0.0)) do |((side, stuff), area_cm2), sum|
          sum[[side, area_cm2 < least || stuff == "open" ? "sound" : stuff]] += area_cm2
        end
      end

      def part(side, stuff, area_cm2) =
        FinishPart.new(
          side: side,
          stuff: stuff,
          area_cm2: area_cm2,
          kind: CLASSES.fetch(stuff) { own_class },
          family: family("#{side}_#{stuff}", CLASSES.fetch(stuff) { own_class }),
          own: @by_part.fetch("#{side}_#{stuff}", {}),
          bench: bench
        )

      # What all parts share.
      def bench
        @bench ||= {
          density_kg_m3: @material.density_kg_m3,
          dry_kg_m3: @material.wooden? ? @material.dry_density_kg_m3 : nil,
          material_kind: @material.kind,
          temperature_c: @climate.temperature_c,
          sanding_rpm: sanding_rpm,
          stopped: @reading.dig(:papers, :stopped),
          mark_mm: @reading.dig(:papers, :deepest_mark_mm),
          sanding_factor: @records.factor("sanding_factor"),
          products: method(:product)
        }
      end

      def product(family)
        (@products ||= {})[family] ||= Finish::Product.new(family, sheet: @sheets.fetch(family, {}), records: @records)
      end

      def own_class
        return "wood" if @material.wooden?
        return "resin" if @material.kind == "resin"

        STOCK.fetch(@material.stock&.row&.fetch("key", nil), "plastic")
      end

      def use = USES.include?(@blank.form.use) ? @blank.form.use : "display"

      def family(key, kind) = @chosen[key] || Table["finishes"]["recommended"].fetch(kind).fetch(use).first

      def order = in_order.map(&:key)

      def conflicts = FinishConflicts.new(parts, reading: @reading, humidity: @climate.humidity, use: use).to_a

      def notes =
        [
          *FinishNotes.new(parts, dry_kg_m3: bench[:dry_kg_m3], climate: @climate, form: @blank.form).to_a,
          *by_own_records
        ]

      # What the shop's own records make of the usual.
      def by_own_records
        [
          ["own_sanding", "sanding_factor", nil],
          *coated.flat_map { |family| of_coats(family) }
        ].filter_map do |key, kind, of|
          count = @records.count(kind, of)
          next if count.zero?

          finish = of ? { finish: name(of) } : {}
          say(key, times: [@records.factor(kind, of).round(2), ""], records: [count, ""], **finish)
        end
      end

      def of_coats(family) = [["own_soak", "soak_factor", family], ["own_times", "coat_time_factor", family]]
      def coated = families.reject { |family| family == "bare" }
      def say(key, **amounts) = Message.of("finish_plan.#{key}", **amounts)
      def name(family) = Message.term("tables.finishes.#{family}.name")
      def families = parts.map(&:family).uniq
    end
  end
end
