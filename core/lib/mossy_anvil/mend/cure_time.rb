# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Times on a sheet at the shop's own temperature: cure goes twice as fast for every 10 C.
    # Source: rule of thumb of the trade; where heat builds up the exotherm says more.
    module CureTime
      # Degrees C that times to be ready and cured through are given at, and working times.
      READY_C, WORKING_C = 20.0, 25.0

      module_function

      # What a time on the sheet is multiplied by at a temperature.
      def factor(shop_c, reference_c = READY_C) = 2**((reference_c - shop_c) / 10.0)
    end
  end
end
