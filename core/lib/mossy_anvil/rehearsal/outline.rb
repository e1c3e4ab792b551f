# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # The outline of a piece as it is cut, along its axis: how far out its wood may go at each height, and how far its
    # hollow.
    class Outline
      HEIGHTS = 73

      # shape: of the blank. stage: it is found at, one of Plan::STAGES; form: nil where there is none.
      def initialize(shape, form, stage, round_mm)
        @length_mm = shape.length_mm
        @heights = Array.new(HEIGHTS) { |index| @length_mm * index / (HEIGHTS - 1.0) }
        whole = stage == :rounded ? round_mm : shape.max_radius_mm
        @outside = @heights.map { whole }
        @inside = @heights.map { 0.0 }
        turn_to(form, stage) if form && %i[outside hollowed].include?(stage)
      end

      # Takes a share of a region away: swath, surface before and after.
      def cut(region, share)
        swath = region[:swath]
        low, high = swath.map { |place| place[:z_mm] }.minmax
        half = swath.size > 1 ? (high - low) / (swath.size - 1) / 2 : 1.0
        @heights.each_index do |index|
          z_mm = @heights[index]
          next unless z_mm.between?(low - half, high + half)

          take(index, region[:side], Outline.front_mm(swath, z_mm, share))
        end
      end

      # mm from the axis where the edge is in a region at a height when a share of it is taken, between its places.
      def self.front_mm(swath, z_mm, share)
        before, after = swath.partition { |one| one[:z_mm] <= z_mm }.then { |low, high| [low.last, high.first] }
        low, high = [before, after].compact.map { |one| [one[:z_mm], taken_mm(one, share)] }
        return low[1] unless high

        low[1] + ((high[1] - low[1]) * (z_mm - low[0]) / (high[0] - low[0]))
      end

      def self.taken_mm(place, share) = place[:from_mm] + ((place[:to_mm] - place[:from_mm]) * share)

      # { outside: [[z, r], ...], inside: [[z, r], ...] or nil }.
      def to_h
        bored = @heights.each_index.select { |index| @inside[index].positive? }
        {
          outside: @heights.each_index.filter_map { |i| [@heights[i], @outside[i]] if @outside[i].positive? },
          inside: bored.size < 2 ? nil : bored.map { |i| [@heights[i], @inside[i]] }
        }
      end

      # mm from the axis to its skin at a height.
      def skin_mm(z_mm) = @outside[(z_mm / @length_mm * (HEIGHTS - 1)).round.clamp(0, HEIGHTS - 1)]

      # Does the skin run through a body as it is now?
      def through?(body) = (skin_mm(body.z_mm) - body.radius_mm).abs <= body.size_mm[0] / 2

      private

      def take(index, side, front_mm)
        if side == "inside"
          @inside[index] = [@inside[index], front_mm].max
        else
          @outside[index] = [@outside[index], front_mm].min
        end
      end

      def turn_to(form, stage)
        @heights.each_with_index do |z_mm, index|
          @outside[index] = radius(form.outside, z_mm)
          @inside[index] = radius(form.inside, z_mm) if stage == :hollowed && form.hollow?
        end
      end

      def radius(profile, z_mm) = z_mm.between?(profile.first_z_mm, profile.last_z_mm) ? profile.radius_mm(z_mm) : 0.0
    end
  end
end
