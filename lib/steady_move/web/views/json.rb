# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Plain values as JSON has them: instants in RFC 3339, UTC.
      module Json
        module_function

        def time(time) = time && (time.utc? ? time : time.getutc).strftime("%Y-%m-%dT%H:%M:%SZ")

        # Seconds since 1970 → instant; nil where there is none, or no end.
        def seconds(seconds)
          seconds.nil? || seconds.abs == Float::INFINITY ? nil : time(Time.at(seconds).utc)
        end

        def value(value)
          case value
          when Time
            time(value)
          when Array
            value.map { |v| value(v) }
          when Hash
            value.transform_values { |v| value(v) }
          else
            value
          end
        end

        # A name as DNS has it, and in its own letters (RFC 5890); both nil where there is none.
        def name(name) = { name: name, unicode: name && Core::Names::Idn.shown(name) }

        def shown(names) = names.map { |n| Core::Names::Idn.shown(n) }

        # A list of names both ways.
        def names(names) = { names: names, unicode: shown(names) }

        def amount(amount) = amount && { minor: amount.minor, currency: amount.currency }
      end
    end
  end
end
