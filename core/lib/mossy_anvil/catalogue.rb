# frozen_string_literal: true

require "i18n"

module MossyAnvil
  # The catalogue of texts: core/data/locales. Read where a text leaves the program: on paper, in the calendar, at the
  # command line, and for what is wrong with what somebody gave.
  module Catalogue
    I18n.load_path += Dir[File.join(DATA_DIR, "locales", "*.yml")]
    I18n.available_locales = [:en]

    module_function

    # The text of a key with plain values put in. Raises I18n::ArgumentError for a key or a value that is not there.
    def t(key, **values) = I18n.t(key, raise: true, **values)
  end
end
