# frozen_string_literal: true

require "simpleidn"

module SteadyMove
  module Core
    module Names
      # International names (RFC 5890, RFC 3492), by the simpleidn package. What is no Punycode
      # raises Unfit and nothing else: the package itself lets a code point beyond Unicode, half a
      # surrogate or octets without an encoding through as errors of Ruby's own.
      module Idn
        # The text can't be turned into the other form.
        class Unfit < ArgumentError
        end

        FAILURES = [RangeError, EncodingError, ArgumentError, TypeError, NoMethodError].freeze

        module_function

        # The U-label form; raises Unfit.
        #   Names::Idn.to_unicode("xn--fhre-loa.example") # => "fähre.example"
        def to_unicode(text) = plain?(text) ? text : turned { SimpleIDN.to_unicode(text) }

        # The A-label form; raises Unfit.
        #   Names::Idn.to_ascii("fähre.example") # => "xn--fhre-loa.example"
        def to_ascii(text) = plain?(text) ? text : turned { SimpleIDN.to_ascii(text) }

        # Is it the same in both forms? Most names are, and the package takes its time.
        def plain?(text)
          text.is_a?(String) && text.ascii_only? && text.match?(PLAIN) && !text.match?(ACE)
        end

        # Lower case letters, digits, hyphens and dots.
        PLAIN = /\A[a-z0-9.-]*\z/
        # Of an A-label somewhere in a name (RFC 5890, section 2.3.2.5).
        ACE = /(?:\A|\.)xn--/i
        # What labels are made of: letters, marks, digits, the hyphen (RFC 5892, section 2) and the
        # middle dots (its appendix A); nothing that turns, hides or imitates what stands beside it.
        READABLE = /\A[\p{L}\p{M}\p{N}\-.\u00b7\u30fb]*\z/
        # Scripts whose letters look like one another's; no label holds two of them (UTS #39,
        # section 5.2, from memory).
        ALIKE = [/\p{Latin}/, /\p{Cyrillic}/, /\p{Greek}/, /\p{Armenian}/].freeze
        private_constant :PLAIN, :ACE, :READABLE, :ALIKE

        # The U-label form for showing; the text itself where it has none, or where that would
        # mislead.
        #   Names::Idn.shown("xn--fhre-loa.example") # => "fähre.example"
        #   Names::Idn.shown("xn--999999b.example") # => "xn--999999b.example"
        def shown(text)
          text.b.match?(ACE) ? turned { readable(SimpleIDN.to_unicode(text)) || text } : text
        rescue Unfit
          text
        end

        def readable(told)
          mixed = told.split(".").any? { |label| ALIKE.count { |script| label.match?(script) } > 1 }
          told if told.match?(READABLE) && !mixed
        end

        def turned
          yield.to_s
        rescue *FAILURES => e
          raise Unfit, e.message
        end
        private_class_method :plain?, :readable, :turned
      end
    end
  end
end
