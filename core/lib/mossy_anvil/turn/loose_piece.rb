# frozen_string_literal: true

module MossyAnvil
  module Turn
    # A piece that is only half held: F = m r w2 against its bond.
    module LoosePiece
      BOND_MPA = 1.0
      RESERVE = 8.0

      module_function

      # N pulling a piece of that mass (g) at that radius (mm) off at a speed.
      def pull_n(mass_g, radius_mm, rpm)
        mass_g * 1e-3 * radius_mm * 1e-3 * ((rpm / Mechanics::RPM)**2)
      end

      # J it flies off with at a speed: m v2 / 2.
      def throw_energy_j(mass_g, radius_mm, rpm)
        mass_g * 1e-3 * ((radius_mm * 1e-3 * rpm / Mechanics::RPM)**2) / 2
      end

      # rpm at which it still holds with the reserve; 0 where nothing holds it.
      # size_mm: [radial, tangential, axial] of the box; it is held on its back, tangential by axial.
      def limit_rpm(mass_g:, radius_mm:, size_mm:, bonded_share:, bond_mpa: BOND_MPA)
        held_n = size_mm[1] * size_mm[2] * bonded_share * bond_mpa
        one_rpm = pull_n(mass_g, radius_mm, 1.0)
        one_rpm.zero? ? nil : Math.sqrt(held_n / RESERVE / one_rpm)
      end
    end
  end
end
