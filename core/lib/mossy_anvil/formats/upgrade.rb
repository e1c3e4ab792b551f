# frozen_string_literal: true

module MossyAnvil
  module Formats
    # Brings a blank document of an older version up to the present one, step by step. Each step takes a document that
    # fits its own version's schema and returns one that fits the next; see docs/file-format.md for what changed.
    module Upgrade
      # Version 2 added intake, how a depth was found and its range, bubble pockets and delaminations; version 3 tests
      # as readings, depths along a path, what was chosen, groups, use and worth; version 4 more kinds of form, an
      # inside that follows the outside, and the lathe's centres; version 5 a plan of mending and what is soaked
      # already; version 6 where the wood lies in the mould, the mould's warmth and a cure in the oven; version 7 the
      # pith and the way the whole work goes. All of them may be left out; only offset_mm of a casting becomes the place
      # it meant.
      STEPS =
        [1, 2, 3, 4, 6].to_h { |version| [version, ->(document) { document.merge("version" => version + 1) }] }
          .merge(5 => ->(document) { placed(document) })
          .freeze

      module_function

      # How far off the middle, of version 5, as a place: so far along the mould.
      def placed(document)
        document = document.merge("version" => 6)
        return document unless document["mend"]

        steps =
          document["mend"]["steps"].map do |step|
            step.key?("offset_mm") ? step.except("offset_mm").merge("placed" => { "x_mm" => step["offset_mm"] }) : step
          end
        document.merge("mend" => document["mend"].merge("steps" => steps))
      end

      # string-keyed document of any version that has a schema; returned as it is where it is of the present one.
      def call(document)
        document = STEPS.fetch(document["version"]).call(document) while STEPS.key?(document["version"])
        document
      end
    end
  end
end
