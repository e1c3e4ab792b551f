# frozen_string_literal: true

require "json"
require "numo/narray"
require "yaml"
require "zeitwerk"

# The rules of the job: pure computation on one blank. No I/O but its own data files, no clock, no database, no web.
#
# A folder is a namespace and a layer: mossy_anvil/turn/burst.rb defines MossyAnvil::Turn::Burst. A layer uses those
# below it alone, from the top:
# report, shop, formats (and scan), placing, then mend, turn and finish (none of which uses another), solid, model, and
# the files of the root.
module MossyAnvil
  DATA_DIR = File.expand_path("../data", __dir__)
  require_relative "mossy_anvil/errors"

  LOADER =
    Zeitwerk::Loader.new.tap do |loader|
      loader.push_dir(File.join(__dir__, "mossy_anvil"), namespace: self)
      loader.ignore(File.join(__dir__, "mossy_anvil", "errors.rb"))
      loader.setup
    end
end
