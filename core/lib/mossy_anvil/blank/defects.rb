# frozen_string_literal: true

module MossyAnvil
  # Makes defect values from the plain data of a blank file.
  module Defects
    PATHS = %w[crack delamination bark_inclusion].freeze
    COMMON = %i[id type centre size_mm].freeze

    # Symbol-keyed data that has passed the schema in, BodyDefect or PathDefect out.
    def self.from(data)
      return PathDefect.new(**data) if PATHS.include?(data[:type])

      BodyDefect.new(**data.slice(*COMMON), detail: data.except(*COMMON))
    end
  end
end
