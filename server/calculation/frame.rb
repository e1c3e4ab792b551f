# frozen_string_literal: true

module MossyAnvil
  module Server
    module Calculation
      # A message between two processes of the server over a stream: plain data as JSON, and bytes beside it.
      # On the wire: the length of either as 32 bits, big end first, then both.
      module Frame
        HEAD_BYTES = 8

        module_function

        # bytes: a String, or a stream of known size, which is read from its beginning and never held whole.
        def write(io, data, bytes = "")
          head = JSON.generate(data)
          stream = bytes.is_a?(String) ? StringIO.new(bytes) : bytes.tap(&:rewind)
          io.write([head.bytesize, stream.size].pack("NN"), head)
          IO.copy_stream(stream, io)
          io.flush
        end

        # [data with string keys, bytes]; raises EOFError where the other side has gone.
        def read(io)
          sizes = exactly(io, HEAD_BYTES).unpack("NN")
          head, bytes = sizes.map { |size| exactly(io, size) }
          [JSON.parse(head), bytes]
        end

        def exactly(io, size)
          found = size.zero? ? "".b : io.read(size)
          found && found.bytesize == size ? found : raise(EOFError, "the other side went away")
        end
        private_class_method :exactly
      end
    end
  end
end
