# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # A temporary file as the body of an answer, sent piece by piece and then gone.
      class SentFile
        PIECE_BYTES = 65_536

        # file: Tempfile.
        def initialize(file)
          @file = file
        end

        def each
          @file.rewind
          while (piece = @file.read(PIECE_BYTES))
            yield piece
          end
        end

        def close = @file.close!
      end
    end
  end
end
