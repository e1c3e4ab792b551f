# frozen_string_literal: true

require "i18n"

module MossyAnvil
  module Server
    module Prints
      # The catalogue of texts: core/data/locales.
      module Catalogue
        I18n.load_path += Dir[File.join(DATA_DIR, "locales", "*.yml")]
        I18n.available_locales = [:en]

        module_function

        # The text of a key with plain values put in. Raises I18n::ArgumentError for a key or a value that is not there.
        def t(key, **values) = I18n.t(key, raise: true, **values)
      end
    end
  end
end
