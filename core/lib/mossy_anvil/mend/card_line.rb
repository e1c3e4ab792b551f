# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A line of the card. kind: do, weigh, timer (to be done within), wait, measure. minutes: [least, likely].
    # target: [value, unit, within]. unlocks: key of what may follow, under `unlocks`. watch: what is looked at while
    # its time runs. cure: its wait follows the shop's temperature. draws: { key:, part: } of the product used up by it.
    # usual: what is to be measured by the tables alone, in its unit; nil where nothing is learnt of it.
    # region: the cut it tells of, plain data; nil for all else.
    CardLine =
      Struct.new(
        :kind,
        :message,
        :minutes,
        :working,
        :cure,
        :measures,
        :unlocks,
        :watch,
        :draws,
        :target,
        :usual,
        :region,
        keyword_init: true
      ) do
        # key: of its text, under `steps`; about: of the above what is not plain, and the amounts of the text.
        def self.of(kind, key, **about)
          own, amounts = about.partition { |name, _| members.include?(name) || name == :cure }.map(&:to_h)
          minutes, target = own.values_at(:minutes, :target)
          new(
            working: false,
            **own,
            kind: kind.to_s,
            message: Message.of("steps.#{key}", **amounts),
            cure: own.fetch(:cure, true) && !minutes.nil?,
            measures: own[:measures]&.to_s,
            watch: own[:watch]&.to_s,
            target: target && { value: target[0], unit: target[1], within: target[2] }
          )
        end
      end
  end
end
