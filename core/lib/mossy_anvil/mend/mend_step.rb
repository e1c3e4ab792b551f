# frozen_string_literal: true

module MossyAnvil
  module Mend
    # One step of a plan of mending. What each kind does is in a class of its own; here is what they share: their
    # defects, their workings, their messages.
    class MendStep
      # What each kind may carry beside id, do, of, after_h and note.
      CARRIES = {
        "dry" => %i[to_pct in],
        "stabilise" => %i[vessel air_hpa altitude_m oven_c hold_min sheet],
        "soak" => %i[with sheet],
        "glue" => %i[with sheet],
        "fill" => %i[with sheet],
        "inlay" => %i[with sheet grooves],
        "cast" => %i[
          with
          sheet
          mould
          wood
          placed
          lined
          pieces
          loss_pct
          cup_g
          resin_c
          mould_c
          night_c
          post_cure
          air
          pot
          colours
        ],
        "sand" => []
      }.freeze
      COMMON = %i[id do of after_h note].freeze

      # What is used up: key of the product and its name (a message), how much, in g or ml, what it costs in the shop's
      # currency; part: resin or hardener, or nil.
      Taken = Struct.new(:key, :name, :amount, :unit, :cost, :part, keyword_init: true)

      attr_reader :id, :data, :scene, :at

      # data: symbol-keyed as in a blank file. scene: MendContext before it. workings: Workings; at: its pointer there
      # and in faults.
      def initialize(data, scene, workings, at:)
        @data = data
        @scene = scene
        @workings = workings
        @at = at
        @id = data[:id]
      end

      # Everything else each kind says: name, gate_pct (moisture it takes, nil where any), materials, hands_min,
      # working_min (nil where none), usual_h (until the next step or the lathe; nil where never), ready_late_h, cure_h
      # (all the way), tools, cautions, says, detail, lines, after (the scene).

      def defects =
        @defects ||= (data[:of] || []).filter_map { |ref| scene.blank.defects.find { |defect| defect.id == ref } }
      def gate_pct = nil
      def materials = []
      def working_min = nil
      # Until the next step or the lathe: a wait of one's own, else the usual one.
      def ready_h = own_wait_h || usual_h
      def ready_late_h = ready_h
      def cure_h = usual_h
      # h given to it by the turner, where that is less than it needs; nil else.
      def hurried_h = own_wait_h && usual_h && own_wait_h < usual_h ? own_wait_h : nil
      def tools = []
      def cautions = []
      def says = []
      def after = scene
      # C from which what it leaves in the piece softens, and the oven it puts the piece in; nil where neither.
      def softens_c = nil
      def oven_c = nil
      # Does it close the pores, or keep a glue from biting?
      def seals? = false
      def blocks_glue? = false

      # The defects it mends, as they are once it is done. measured: what the scale said, { name => value }.
      def mended(_measured) = defects.map { |defect| after.blank.defects.find { |one| one.id == defect.id } || defect }

      # What of the stock is another once it is done, string-keyed as in a blank file; nothing for most.
      def material_after(_measured) = {}

      # What was measured while it was done says: { says: [advice], records: [{ kind:, of:, value: }], lines: [what to
      # do now] }. measures: { name => value }.
      def verdict(_measures) = { says: [], records: [], lines: [] }

      # What to do when something goes wrong: a row of the troubles table, and lines to add. amount: what it asks for;
      # hours since the last pour.
      # Raises InvalidInput where it does not happen at such a step, or the amount is missing.
      def trouble(key, amount: nil, hours: 0.0)
        row = Table.row("troubles", key, at: "/trouble")
        wrong = [
          (
            unless troubles.include?(key)
              Fault.new(
                path: "/trouble",
                problem: Fault.t("is", given: key),
                allowed: Fault.t("one_of_at_such_a_step", troubles: troubles.join(", "))
              )
            end
          ),
          (
            if row["asks"] && amount.nil?
              Fault.new(path: "/amount", problem: Fault.t("is_missing"), allowed: Fault.t("how_much_in_mm"))
            end
          )
        ].compact
        raise InvalidInput, wrong if wrong.any?

        { key: key, says: after_trouble(key, amount), lines: rescue_lines(key, amount, hours) }
      end

      # Keys of what may go wrong at such a step.
      def troubles = MendStep.troubles_of(data[:do]).map { |row| row["key"] }

      # Rows of the troubles table for a kind of step.
      def self.troubles_of(kind) = Table.rows("troubles").select { |row| row["of"].include?(kind) }

      # What a product is called: by its own sheet, else by the table.
      def self.product(table, row) = row["name"] ? Message.named(row["name"]) : Table.word(table, row["key"])

      private

      # A row of a table with what the product's own sheet says in place of it.
      def own(row)
        sheet = data[:sheet] or return row
        row.merge(
          {
            "name" => sheet[:name],
            **sheet.slice(:dry_to_pct, :working_min, :ready_min, :peak_c, :layer_mm, :price_per_g).transform_keys(
              &:to_s
            ),
            "price_per_ml" => sheet[:price_per_g]&.*(row["density_g_ml"] || 1),
            "cure_h" => sheet[:cure_d]&.*(24),
            "wait_h" => sheet[:ready_min]&./(60.0),
            "soft_from_c" => sheet[:soft_from_c],
            "softens_c" => sheet[:soft_from_c]
          }.compact
        )
      end

      def rescue_lines(_key, _amount, _hours) = []
      def after_trouble(_key, _amount) = []
      def record(kind, value, of: nil) =
        Model::ShopRecords.plausible?(kind, value) ? [{ kind: kind, of: of, value: value }] : []

      # Times on a sheet, at the shop's temperature.
      def ready_factor = CureTime.factor(scene.shop_c)
      def own_wait_h = data[:after_h]

      # A number with its working under this step; gives it back. about: source:, certainty:, inputs: as Workings#put
      # takes them.
      def put(key, value, unit, formula, **about)
        @workings.put(
          "#{at}/#{key}",
          value: value,
          unit: unit,
          formula: formula,
          certainty: :rule_of_thumb,
          inputs: {
          },
          **about
        )
      end

      # A message of this kind of step.
      def words(key, **amounts) = Message.of("steps.#{key}", **amounts)

      # Advice, its working at `figure` under this step.
      def say(tone, key, figure: nil, **amounts)
        { tone: tone.to_s, figure: figure && "#{at}/#{figure}", **words(key, **amounts) }
      end

      def lists(kind, *keys) = keys.compact.map { |key| Message.of("#{kind}.#{key}") }

      def product(table, row) = MendStep.product(table, row)

      # A line of the card: see CardLine.
      def line(...) = CardLine.of(...).to_h

      def ids = Message.ids(defects.map(&:id))
      def fault(key, problem, allowed) = raise InvalidInput.at("#{at}/#{key}", problem, allowed)
    end
  end
end
