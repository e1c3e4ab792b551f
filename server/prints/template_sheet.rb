# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # A form on paper at 1 : 1: the half section with its stations and the card of a gauge.
      class TemplateSheet
        # blank: of the core, with a form; now: Time it is printed at.
        def initialize(blank, now)
          @blank = blank
          @now = now
        end

        # The PDF's bytes.
        def pdf
          paper = Paper.new("#{@blank.number} #{@blank.name}".strip, @now)
          paper.tiled(Texts.t("paper.template"), MossyAnvil::Formats::FormTemplate.new(@blank).svg)
          paper.bytes
        end
      end
    end
  end
end
