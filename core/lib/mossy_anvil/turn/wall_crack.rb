# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The speed at which an opening right through a wall runs on.
    #
    # K = 1.12 s sqrt(pi c) M,  s = rho w2 R2,  M = sqrt(1 + 1.61 c2 / (R t))
    #
    # s hoop stress of the wall (Pa at w rad/s), c length of the opening along the wall (m), R radius at the middle of
    # the wall (m), t wall (m), M how much the lips bulge. An opening that reaches neither rim nor floor is a crack of
    # two tips: c is half its run, and the 1.12 of a free edge falls away.
    # It runs where K reaches the toughness. Sources: Folias, axial crack in a thin shell; checked against finite
    # elements (handbook example E49).
    #
    # A thicker wall is never worse: t only stands under the fraction.
    module WallCrack
      EDGE = 1.12
      BULGE = 1.61
      # Share of the running speed that may be worked at; the lower one where the wall is thinner than R / 50, for it
      # flutters and finite elements fail it sooner, and from there up to R / 40 in between, so that a hair of wall
      # makes no jump.
      WORK_SHARE, THIN_WORK_SHARE = 0.5, 0.4
      THIN_FROM, THIN_TO = 50.0, 40.0

      module_function

      # How much the lips of an opening bulge, 1 or more; lengths in mm.
      def bulge(length_mm, radius_mm, wall_mm) = Math.sqrt(1 + (BULGE * (length_mm**2) / (radius_mm * wall_mm)))

      # MPa root m for 1 rad/s. density in kg/m3, lengths in mm. at_edge: does it reach rim or floor?
      def intensity_mpa_sqrt_m(density_kg_m3, run_mm:, radius_mm:, wall_mm:, at_edge: true)
        length_mm = at_edge ? run_mm : run_mm / 2.0
        stress_pa = density_kg_m3 * ((radius_mm / 1000.0)**2)
        (at_edge ? EDGE : 1.0) * stress_pa * 1e-6 * Math.sqrt(Math::PI * length_mm / 1000.0) *
          bulge(length_mm, radius_mm, wall_mm)
      end

      # The same over an array of runs (mm).
      def intensities(density_kg_m3, runs_mm, radius_mm:, wall_mm:, at_edge: true)
        length_mm = at_edge ? runs_mm : runs_mm / 2
        lips = Numo::DFloat::Math.sqrt(((length_mm**2) * (BULGE / (radius_mm * wall_mm))) + 1)
        Numo::DFloat::Math.sqrt(length_mm * (Math::PI / 1000)) * lips *
          ((at_edge ? EDGE : 1.0) * density_kg_m3 * ((radius_mm / 1000.0)**2) * 1e-6)
      end

      # rpm at which it runs. toughness in MPa root m, as it is at the tip.
      def runs_rpm(toughness, density_kg_m3, **place) =
        Mechanics::RPM * Math.sqrt(toughness / intensity_mpa_sqrt_m(density_kg_m3, **place))

      # Share of the running speed that may be worked at.
      def work_share(radius_mm, wall_mm)
        thin, whole = radius_mm / THIN_FROM, radius_mm / THIN_TO
        THIN_WORK_SHARE + ((WORK_SHARE - THIN_WORK_SHARE) * ((wall_mm - thin) / (whole - thin)).clamp(0.0, 1.0))
      end
    end
  end
end
