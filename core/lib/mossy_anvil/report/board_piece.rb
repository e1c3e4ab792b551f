# frozen_string_literal: true

module MossyAnvil
  module Report
    # A piece as the board lays its work out. id: of the blank. lathe: name of the one it stands on, nil where none is
    # written down. due_min: nil where nobody waits for it. plan: as WorkPlan#to_h, symbol-keyed, made at made_min.
    # weighed_min: when it was put on the scale last, nil where never.
    # card: what its open card says, { done: kinds of the steps that are, waits: { from_min:, until_min:, kind: } or nil
    # }, nil where it has none. Minutes as of Shop::WorkingHours.
    BoardPiece =
      Struct.new(:id, :lathe, :due_min, :plan, :made_min, :weighed_min, :card, keyword_init: true) do
        # Those of the plan that are still to be worked at.
        def steps = @steps ||= without_done.then { |left| left.first && left.first[:running] ? left.drop(1) : left }

        # { from_min: or nil, until_min:, holding: keys of equipment, name: a message, weigh_min: when it is weighed
        # next, or nil }, nil where nothing is under way.
        def under_way = @under_way ||= on_card || drying

        def job
          Shop::Job.new(
            id: id,
            steps: steps.map { |step| job_step(step) },
            ready_min: under_way ? under_way[:until_min] : 0,
            holding: under_way ? under_way[:holding] : [],
            due_min: due_min
          )
        end

        private

        # A card's steps are done in its own order; each stands for the first of its kind.
        def without_done
          (card ? card[:done] : []).each_with_object(plan[:steps].dup) do |kind, left|
            left.index { |step| step[:kind] == kind }&.then { |index| left.delete_at(index) }
          end
        end

        def on_card
          waits = card && card[:waits] or return
          step = plan[:steps].find { |one| one[:kind] == waits[:kind] }
          {
            from_min: waits[:from_min],
            until_min: waits[:until_min],
            holding: step ? step[:equipment] : [],
            name: step ? step[:name] : Message.of("board.on_its_card"),
            weigh_min: nil
          }
        end

        def drying
          step = plan[:steps].first
          return unless step && step[:running]

          until_min = made_min + minutes(step)
          {
            from_min: nil,
            until_min: until_min,
            holding: step[:equipment],
            name: step[:name],
            weigh_min:
              weighed_min &&
                [weighed_min + (Table["route"]["weigh_every_days"] * Shop::WorkingHours::DAY_MIN), until_min].min
          }
        end

        def minutes(step) = step[:wait_days] ? (step[:wait_days][:likely] * Shop::WorkingHours::DAY_MIN).ceil : 0

        def job_step(step)
          Shop::JobStep.new(
            id: step[:id],
            hands_min: [step[:hands_min].ceil, 1].max,
            wait_min: minutes(step),
            lathe: step[:on_lathe] ? lathe || Table["equipment"]["unnamed_lathe"] : nil,
            equipment: step[:equipment],
            within_min: step[:within_min]
          )
        end
      end
  end
end
