# frozen_string_literal: true

module MossyAnvil
  # What a blank as it stands comes to on the lathe: the least there is to know before and after a step of mending.
  class MendEffect
    KEYS = %i[limit_rpm governed_by burst_rpm mass_g imbalance_g_mm].freeze

    # scene: MendScene. fineness as of an assessment.
    def initialize(scene, fineness: :default)
      @scene = scene
      @fineness = fineness
    end

    # { first: as it goes on the lathe, last: finished }, each { limit_rpm:, governed_by:, burst_rpm: (nil: nothing pulls), mass_g:, imbalance_g_mm:, not_like_this: }.
    def to_h
      solid = SolidWork.new(@scene.blank.on_centres, @scene.climate, @fineness)
      names = Stage.names_for(@scene.blank)
      { first: names.first, last: names.last }.transform_values { |name| stage(StageReport.new(name, solid, Workings.new).to_h) }
    end

    private

    # Resin drawn in everywhere makes it heavier, and pulls it apart the sooner: splitting speed falls as the root of the mass.
    def stage(found)
      added = @scene.added_g * share_left(found)
      slower = Math.sqrt(found[:mass_g] / (found[:mass_g] + added))
      burst = found[:burst_rpm] && (found[:burst_rpm] * slower)
      limit = [found[:limit_rpm], burst && (burst / Math.sqrt(@scene.climate.burst_reserve))].compact.min
      { **found.slice(*KEYS), mass_g: found[:mass_g] + added, burst_rpm: burst, limit_rpm: limit, governed_by: limit < found[:limit_rpm] ? "burst" : found[:governed_by],
                              not_like_this: found[:not_like_this] }
    end

    def share_left(found) = found[:volume_mm3] / @scene.assessed[:stages].values.first[:volume_mm3]
  end
end
