# frozen_string_literal: true

module SteadyMove
  module Core
    module Codes
      # A list of names and codes in the form that a registrar's page takes: a line a name. Forms
      # differ by registrar; common practice, no source; quotes as in RFC 4180 §2.
      module OrderList
        # separator: text between name and code; header: a first line, or nil; quoting: “always”,
        # “needed” (a code that holds the separator, a quote, a line end or an outer blank stands in
        # quotes), or “never”.
        Form = Struct.new(:separator, :header, :quoting, keyword_init: true)
        USUAL = { separator: ",", header: nil, quoting: "needed" }.freeze

        module_function

        # habits: {"separator", "header", "quoting"} of an account, or nil. Returns a Form.
        def form(habits)
          told = (habits || {}).transform_keys(&:to_sym).slice(*Form.members).compact
          Form.new(**USUAL, **told)
        end

        # Can a code stand in a list of this form? In one without quotes not where it holds the
        # separator, a quote or a line end: where the name ends and the code begins would be
        # anybody's guess.
        #   Codes::OrderList.fits?("a,b", Codes::OrderList.form("quoting" => "never")) # => false
        #   Codes::OrderList.fits?("a,b", Codes::OrderList.form(nil)) # => true
        def fits?(code, form)
          unless code.match?(/[\r\n]/) || (form.quoting == "never" && special?(code, form))
            return true
          end

          form.quoting != "never" && !code.match?(/[\r\n]/)
        end

        # pairs: [[name, code]]; a name that needs no code (an empty one) stands alone. Returns [the
        # list as text with a line end after each line, names that can't stand in it].
        def write(pairs, form)
          fit, apart = pairs.partition { |_, code| fits?(code, form) }
          lines =
            fit.map do |name, code|
              code.empty? ? "#{name}\n" : "#{name}#{form.separator}#{quoted(code, form)}\n"
            end
          head = form.header.to_s.empty? ? "" : "#{form.header}\n"
          [fit.empty? ? "" : head + lines.join, apart.map(&:first)]
        end

        def special?(code, form)
          code.include?(form.separator) || code.include?('"') || code != code.strip
        end

        def quoted(code, form)
          unless form.quoting == "always" || (form.quoting == "needed" && special?(code, form))
            return code
          end

          %("#{code.gsub('"', '""')}")
        end
        private_class_method :special?, :quoted
      end
    end
  end
end
