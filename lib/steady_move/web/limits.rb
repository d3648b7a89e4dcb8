# frozen_string_literal: true

module SteadyMove
  module Web
    # How much may come in, decided before it is read. Octets.
    module Limits
      ANONYMOUS = 64 * 1024
      JSON_MOST = 2 * 1024 * 1024
      # What an operation's x-most may say at most; the server reads no longer body at all.
      MOST = 40 * 1024 * 1024

      module_function

      # A request's whole body; raises Problem 413 where it is longer than `most`, whatever its
      # length is said to be.
      def read(request, most)
        raise too_large(most) if request.content_length.to_i > most

        text = request.body&.read(most + 1).to_s
        raise too_large(most) if text.bytesize > most

        text
      end

      def too_large(most)
        Problem.say(413, :too_large, most: most >= 10**6 ? "#{most >> 20} MB" : "#{most >> 10} kB")
      end
      private_class_method :too_large
    end
  end
end
