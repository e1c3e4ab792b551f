# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What one cut comes to: force, power, torque, path of the edge, spring of bar and wall. Forces in N, lengths in mm,
    # unless said.
    # Source: cutting force in proportion to the chip's area and to density; textbook beams. Rows of
    # core/data/tools.yaml.
    module Cutting
      MM_PER_M = 1000.0
      MM3_PER_ML = 1000.0
      NM_PER_N_MM = 1e-3
      N_MM2_PER_GPA = 1000.0

      module_function

      # N on an edge: k b h, k in proportion to density. edge_mm: b, chip_mm: h. dull, scraping, wet: bits.
      def force_n(edge_mm, chip_mm, density_kg_m3, dull: false, scraping: false, wet: false)
        row = Table["tools"]["force"]
        factors = [dull && "dull", scraping && "scraping", wet && "wet"].select(&:itself)
        row["n_mm2"] * density_kg_m3 / row["at_kg_m3"] * edge_mm * chip_mm *
          factors.map { |key| row[key] }.inject(1.0, :*)
      end

      # W that a force takes at a diameter and a speed.
      def power_w(force_n, diameter_mm, rpm) = force_n * diameter_mm / 2 / MM_PER_M * rpm / Mechanics::RPM

      # N m that a motor (W) has to give at any speed of a belt whose fastest is so many rpm.
      def belt_torque_nm(power_w, fastest_rpm) = power_w * Mechanics::RPM / fastest_rpm

      # N m of a cut at a radius.
      def torque_nm(force_n, radius_mm) = force_n * radius_mm * NM_PER_N_MM

      # km an edge goes to take so many ml.
      def path_km(volume_ml, edge_mm, chip_mm) = volume_ml * MM3_PER_ML / (edge_mm * chip_mm) / 1e6

      # mm a round bar bends at its edge: F L3 / (3 E I), I = pi d4 / 64.
      def bend_mm(force_n, overhang_mm, shank_mm)
        force_n * (overhang_mm**3) / (3 * Table["tools"]["bar"]["gpa"] * N_MM2_PER_GPA * Math::PI * (shank_mm**4) / 64)
      end

      # N in the hand behind a rest when the edge is caught so far past it.
      def hand_n(overhang_mm)
        row = Table["tools"]["hand"]
        row["catch_n"] * overhang_mm / row["behind_mm"]
      end

      # mm of depth a wall is finished in at a time, so that it springs no more than it may: a strip twice as wide as it
      # is high, F H3 / (3 E I) with I = 2 H t3 / 12.
      def wall_step_mm(wall_mm, density_kg_m3)
        row = Table["tools"]["wall"]
        gpa = row["gpa"] * density_kg_m3 / Table["tools"]["force"]["at_kg_m3"]
        Math.sqrt(row["spring_mm"] * gpa * N_MM2_PER_GPA * (wall_mm**3) / (2 * row["cut_n"]))
      end
    end
  end
end
