# frozen_string_literal: true

module MossyAnvil
  # Root of every error this project raises on purpose.
  class Error < StandardError; end

  # One thing wrong in what a person gave: where (JSON Pointer), what, and what is allowed.
  Fault = Struct.new(:path, :problem, :allowed, keyword_init: true) do
    def to_s
      [path.empty? ? "/" : path, problem, allowed].compact.join(": ")
    end
  end

  # What a person gave cannot be used; #faults says why, one by one.
  class InvalidInput < Error
    attr_reader :faults

    def initialize(faults)
      @faults = faults.freeze
      super(faults.join("\n"))
    end
  end

  # A computation was asked for that its inputs do not allow; a fault of the program.
  class ReckoningError < Error; end
end
