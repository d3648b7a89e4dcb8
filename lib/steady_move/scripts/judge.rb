# frozen_string_literal: true

require "json"
require "yaml"

module SteadyMove
  module Scripts
    # `judge FILE`: RFC 9083 domain objects in, one line of JSON each out; works from the rulebook
    # alone.
    class Judge
      DAY = 86_400

      # rulebook: Rulebook; at: Time; destination: Core::Readiness::Destination or nil; horizon:
      # days; out, err: IO.
      def initialize(rulebook, at:, destination:, horizon:, out:, err:)
        @rulebook = rulebook
        @at = at
        @destination = destination
        @horizon = horizon
        @out = out
        @err = err
      end

      # text: one object, an array, or one object a line. Returns 0, or 2 where an object could not
      # be judged.
      def call(text)
        status = 0
        objects(text).each do |where, object|
          @out.puts JSON.generate(line(object.is_a?(Exception) ? raise(object) : object))
        rescue Wire::Error, Core::Names::DomainName::Invalid, JSON::ParserError => e
          @err.puts "#{called(where, object)}: #{says(e)}"
          status = 2
        end
        status
      end

      private

      # [[where it stands, object or what is wrong with it]].
      def objects(text)
        whole = JSON.parse(text, max_nesting: 40)
        if whole.is_a?(Array)
          whole.each_with_index.map { |o, i| ["object #{i + 1}", o] }
        else
          [["object 1", whole]]
        end
      rescue JSON::ParserError
        lines = text.each_line.with_index(1).reject { |l, _| l.strip.empty? }
        raise Wire::Malformed, "there is no domain object in it" if lines.empty?

        lines.map { |l, number| ["line #{number}", parsed(l)] }
      end

      def parsed(line)
        JSON.parse(line, max_nesting: 40)
      rescue JSON::ParserError => e
        e
      end

      def called(where, object)
        name = object["ldhName"] || object["unicodeName"] if object.is_a?(Hash)
        name ? "#{where} (#{name})" : where
      end

      def says(error)
        return Words.text(error.phrase) if error.respond_to?(:phrase)

        error.is_a?(JSON::ParserError) ? "it is not JSON" : error.message
      end

      def stamp(seconds)
        if seconds && seconds.abs != Float::INFINITY
          Time.at(seconds).utc.strftime("%Y-%m-%dT%H:%M:%SZ")
        end
      end

      def line(object)
        data = Wire::Rdap::Document.domain(object)
        name = Core::Names::DomainName.parse(data.name, suffixes: @rulebook.deep_suffixes)
        judgement =
          Core::Readiness::Judge.judge(@rulebook, name, facts(data), destination: @destination)
        from = @at.to_i
        verdict = judgement.verdict(@at)
        outline = judgement.outline
        {
          name: name.ascii,
          verdict: verdict.kind,
          earliest_start: stamp(outline.earliest_start(from)),
          latest_safe_start: stamp(judgement.latest_safe_start),
          findings: verdict.findings.reject { |f| f.effect == "step" }.map { |f| finding(f) },
          windows:
            outline.windows(from, from + (@horizon * DAY)).map { |a, b| [stamp(a), stamp(b)] },
          unknown: verdict.unknown.map { |u| { rule: u.rule, find_out: u.find_out.to_s } },
          **(data.odd.any? ? { not_read: data.odd } : {})
        }
      end

      def finding(finding)
        {
          rule: finding.rule,
          effect: finding.effect,
          clears_at: stamp(finding.clears_at&.to_i),
          because: finding.because.gsub(/<([^>]*Z)>/, '\1')
        }
      end

      # Only what the object says; what it doesn't say is not known.
      def facts(data)
        said = {
          registered: true,
          statuses: data.statuses,
          created_at: data.created_at,
          expires_at: data.expires_at,
          transferred_at: data.transferred_at,
          name_servers: data.name_servers,
          signed: data.signed,
          registrant_email: data.registrant_email,
          admin_email: data.admin_email
        }.compact
        Core::Readiness::Facts.ruled(said)
      end
    end
  end
end
