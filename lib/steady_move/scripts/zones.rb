# frozen_string_literal: true

require "json"

module SteadyMove
  module Scripts
    # `zone canonical FILE` and `zone compare OLD NEW`: zone files (RFC 1035 §5) as others can read
    # and compare them.
    class Zones
      Records = Core::Records

      # setting: Setting, which reads files; origin: as typed; keep: go on after what is wrong.
      def initialize(setting, origin:, out:, err:, keep: false)
        @setting = setting
        @origin = apex(origin)
        @keep = keep
        @out = out
        @err = err
        @wrong = false
      end

      # One record a line: absolute owner, TTL, class, type, data, in canonical form and order (RFC
      # 4034 §6). Returns 0, or 2 where something was left out because it is wrong.
      def canonical(file)
        zone = zone(file) or return 2
        @out.write(Records::ZoneWriter.canonical(zone))
        @wrong ? 2 : 0
      end

      # A line of JSON for each set that is not the same; what belongs to the host alone is left
      # out. Returns 0 where all is the same, 1 where something differs, 2 where a file can't be
      # read.
      def compare(old_file, new_file)
        old = zone(old_file)
        new = zone(new_file)
        return 2 if @wrong

        rows = Records::Comparison.differences(old, new)
        rows.each { |r| @out.puts JSON.generate(line(r)) }
        rows.empty? ? 0 : 1
      end

      private

      def apex(text)
        if text.nil?
          raise Misused,
                "--origin is missing: the zone's own name is expected, such as tide.example"
        end

        Records::Name.parse(text)
      rescue ArgumentError => e
        raise Misused, "--origin: #{e.message}"
      end

      # nil where it can't be read; what is wrong is told, with its place.
      def zone(file)
        zone = Records::ZoneReader.read(@setting.octets(file), origin: @origin.to_s, keep: @keep)
        zone.problems.each { |e| tell(file, e) }
        zone.ignored.each do |line, record|
          @err.puts "#{file}:#{line}:1: #{record.name} lies outside #{@origin}, left out"
        end
        zone
      rescue Records::ZoneError => e
        tell(file, e)
        nil
      end

      def tell(file, error)
        @wrong = true
        @err.puts "#{file}:#{error.line}:#{error.column || 1}: #{error.reason}"
      end

      def line(row)
        {
          owner: row.name.to_s.downcase(:ascii),
          type: row.type,
          kind: row.kind,
          old: data(row.old),
          new: data(row.new),
          old_ttl: row.old&.ttl,
          new_ttl: row.new&.ttl,
          breaks: row.breaks && Words.text(row.breaks)
        }
      end

      def data(set) = (set&.rdatas || []).map(&:to_s).sort
    end
  end
end
