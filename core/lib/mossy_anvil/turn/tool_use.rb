# frozen_string_literal: true

module MossyAnvil
  module Turn
    # How a region is taken. tool: from the rough; finish_tool: what that leaves on the wall, to the surface; the same
    # where there is no change. chip_mm: of the roughing cut; force_n with a sharp edge and allowed_n, of the pass that
    # has least left of it; torque_nm; leave_mm: on a thin wall, what is left on it until it is cut ever lighter;
    # change_mm: what is left when the tools are changed, nil where they are not; minutes: [least, most];
    # sharpen_every_min; bend_mm in the finishing pass.
    ToolUse =
      Struct.new(
        :tool,
        :finish_tool,
        :chip_mm,
        :force_n,
        :allowed_n,
        :torque_nm,
        :leave_mm,
        :change_mm,
        :minutes,
        :sharpen_every_min,
        :bend_mm,
        keyword_init: true
      )
  end
end
