# frozen_string_literal: true

module MossyAnvil
  # Constants of mechanics that more than one trade needs.
  module Mechanics
    GRAVITY_M_S2 = 9.81
    # Revolutions a minute for one radian a second.
    RPM = 60 / (2 * Math::PI)
  end
end
