# frozen_string_literal: true

require "ipaddr"
require "json_schemer"
require "yaml"

module SteadyMove
  module Desk
    # A configuration file as it was written: read, held against its schema
    # (config/desk.schema.yml), with paths that are relative to the file made absolute.
    class ConfigFile
      SCHEMA = File.join(ROOT, "config", "desk.schema.yml")
      # Members that are paths; the last must be readable files.
      PATHS = [%w[data], %w[backup folder], %w[log file], %w[rdap bootstrap]].freeze
      READ = [%w[rdap bootstrap]].freeze
      MOST = 1024 * 1024

      def initialize(file)
        @file = file
      end

      # The map; raises Refused with a line for everything that is wrong.
      def map
        found = problems
        raise Refused.new(:unusable, :config_wrong, says: found.join("\n")) if found.any?

        absolute(read)
      end

      # [sentence] of all that is wrong, each in one line; empty where the file can be used.
      def problems
        given = read
        return [say(:config_no_map, file: @file)] unless given.is_a?(Hash)

        wrong = schema.validate(given).map { |error| worded(error) }
        wrong + (wrong.any? ? [] : unreadable(absolute(given)) + strange_proxies(given))
      rescue Refused => e
        [e.message]
      end

      private

      def say(key, **values) = Words.say(:"refused.#{key}", **values)
      def schema = JSONSchemer.schema(YAML.safe_load_file(SCHEMA), regexp_resolver: "ecma")

      def read
        YAML.safe_load(File.read(@file, MOST).to_s, filename: @file) || {}
      rescue Psych::SyntaxError => e
        Config.unusable(:config_syntax, file: @file, line: e.line, says: e.problem)
      rescue Psych::Exception => e
        Config.unusable(:config_syntax, file: @file, line: "?", says: e.message.lines.first.strip)
      rescue Errno::ENOENT
        Config.unusable(:config_missing, file: @file)
      rescue SystemCallError => e
        Config.unusable(:config_unreadable, file: @file, says: e.message[/\A[^@]+/].strip)
      end

      # An error of the schema in words: which key, and what is expected.
      def worded(error)
        key = error["data_pointer"].delete_prefix("/").tr("/", ".")
        return say(:config_unknown, file: @file, key: key, known: known(error)) if unknown?(error)
        if error["type"] == "required"
          return say(:config_lacks, file: @file, key: key, lacking: lacking(error))
        end

        say(
          :config_value,
          file: @file,
          key: key,
          expected: expected(error["schema"]),
          given: given(error["data"])
        )
      end

      def unknown?(error)
        error["schema_pointer"].end_with?("/additionalProperties") && error["schema"] == false
      end
      def lacking(error) = error.dig("details", "missing_keys").join(", ")

      # What a schema expects: the values it lists, or its type with its limits.
      def expected(schema)
        return schema["enum"].join(", ") if schema["enum"]

        type = Array(schema["type"]).first
        low, high = schema.values_at("minimum", "maximum")
        kind = schema["pattern"] ? "formed" : type
        Words.say(:"config.#{kind}", like: schema["description"]) +
          Words.say(:"config.limits.#{limits(low, high)}", low: low, high: high)
      end

      def limits(low, high)
        [("from" if low), ("to" if high)].compact.join("_").then { |k| k.empty? ? "none" : k }
      end
      def given(value)
        value.is_a?(String) || value.is_a?(Numeric) ? value.to_s[0, 60] : value.class.name.downcase
      end

      # The keys that stand beside one that nobody knows.
      def known(error)
        parent = error["schema_pointer"].delete_suffix("/additionalProperties").split("/").drop(1)
        beside = parent.empty? ? error["root_schema"] : error["root_schema"].dig(*parent)
        beside.fetch("properties", {}).keys.join(", ")
      end

      def absolute(given)
        here = File.dirname(File.expand_path(@file))
        map = Marshal.load(Marshal.dump(given))
        PATHS.each do |*parents, last|
          holder = parents.empty? ? map : map.dig(*parents)
          holder[last] = File.expand_path(holder[last], here) if holder&.key?(last)
        end
        map
      end

      def unreadable(map)
        READ.filter_map do |path|
          file = map.dig(*path)
          unless file.nil? || (File.file?(file) && File.readable?(file))
            say(
              :config_value,
              file: @file,
              key: path.join("."),
              expected: Words.say(:"config.file"),
              given: file
            )
          end
        end
      end

      def strange_proxies(map)
        map
          .fetch("proxies", [])
          .filter_map do |text|
            IPAddr.new(text) && nil
          rescue IPAddr::Error
            say(
              :config_value,
              file: @file,
              key: "proxies",
              expected: Words.say(:"config.network"),
              given: text
            )
          end
      end
    end
  end
end
