# frozen_string_literal: true

require "simpleidn"

module SteadyMove
  module Core
    module Names
      # International names (RFC 5890, RFC 3492), by the simpleidn package. What is no Punycode raises Unfit and nothing
      # else: the package itself lets a code point beyond Unicode, half a surrogate or octets without an encoding
      # through as errors of Ruby's own.
      module Idn
        # The text can't be turned into the other form.
        class Unfit < ArgumentError; end

        FAILURES = [RangeError, EncodingError, ArgumentError, TypeError, NoMethodError].freeze

        module_function

        # The U-label form; raises Unfit.
        #   Names::Idn.to_unicode("xn--fhre-loa.example") # => "fähre.example"
        def to_unicode(text) = turned { SimpleIDN.to_unicode(text) }

        # The A-label form; raises Unfit.
        #   Names::Idn.to_ascii("fähre.example") # => "xn--fhre-loa.example"
        def to_ascii(text) = turned { SimpleIDN.to_ascii(text) }

        # Of an A-label somewhere in a name (RFC 5890, section 2.3.2.5).
        ACE = /(?:\A|\.)xn--/i
        private_constant :ACE

        # The U-label form, or the text itself where it has none: for showing.
        #   Names::Idn.shown("xn--999999b.example") # => "xn--999999b.example"
        def shown(text)
          text.b.match?(ACE) ? to_unicode(text) : text
        rescue Unfit
          text
        end

        def turned
          yield.to_s
        rescue *FAILURES => e
          raise Unfit, e.message
        end
        private_class_method :turned
      end
    end
  end
end
