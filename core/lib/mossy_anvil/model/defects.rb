# frozen_string_literal: true

module MossyAnvil
  module Model
    # Makes defect values from the plain data of a blank file.
    module Defects
      PATHS = %w[crack delamination bark_inclusion].freeze
      COMMON = %i[id type centre size_mm].freeze
      MADE = Cache.new(500)

      # Symbol-keyed data that has passed the schema in, BodyDefect or PathDefect out; the same one as long as it says
      # the same.
      def self.from(data)
        MADE.of(data) do
          if PATHS.include?(data[:type])
            PathDefect.new(**data)
          else
            BodyDefect.new(**data.slice(*COMMON), detail: data.except(*COMMON))
          end
        end
      end
    end
  end
end
