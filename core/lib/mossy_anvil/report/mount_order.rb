# frozen_string_literal: true

module MossyAnvil
  module Report
    # What there is to say of the mounts that are proposed, one after the other.
    class MountOrder
      # steps: of a MountReport, as plain data.
      def initialize(steps)
        @steps = steps
      end

      # Advice on the whole: does each step leave something to hold the next by?
      def advice
        stuck = @steps.find { |one| one[:proposed].nil? }
        return stuck_at(stuck) if stuck
        return say(:stop, "no_speed") if @steps.any? { |one| one[:rpm].zero? }

        in_order
      end

      private

      def stuck_at(step)
        say(
          :stop,
          "nothing_holds",
          step: Message.term("mount_steps.#{step[:key]}"),
          seat: Message.term("seats.#{step[:by]}"),
          instead: Message.of("mount_plan.instead.#{%w[hollow foot].include?(step[:key]) ? step[:key] : "other"}")
        )
      end

      # The mounts proposed, one after the other, and what to mind with them.
      def in_order
        chosen = @steps.map { |one| one[:mounts].first }
        care = chosen.any? { |mount| mount[:verdict] != "holds" }
        slow = slowest(chosen)
        say(
          care ? :care : :go,
          ["order", *("tailstock" if care), *("slow" if slow.any?)].join("_"),
          mounts: [chosen.map { |mount| mount_message(mount) }, "messages"],
          **slow
        )
      end

      # The mount that bears less than the speed the piece itself would take, and up to which; empty where none does.
      def slowest(chosen)
        mount, step = chosen.zip(@steps).select { |one, _| one[:limit_rpm] }.min_by { |_, of| of[:limit_rpm] }
        mount ? { slowest: mount_message(mount), limit: [step[:limit_rpm], "rpm"] } : {}
      end

      def mount_message(mount) = Message.of("tables.mounts.#{mount[:key]}.name")
      def say(tone, key, **amounts) = { tone: tone.to_s, figure: nil, **Message.of("mount_plan.#{key}", **amounts) }
    end
  end
end
