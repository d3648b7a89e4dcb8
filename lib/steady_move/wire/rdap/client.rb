# frozen_string_literal: true

require "net/http"
require "json"

module SteadyMove
  module Wire
    module Rdap
      # Asks the public record service.
      class Client
        MOST = 1024 * 1024
        MOST_STEPS = 5
        DAY = 86_400
        REDIRECTS = [301, 302, 303, 307, 308].freeze

        # Seconds for which a server is left alone that asks for fewer questions and names no time.
        # Common practice, no source.
        MINUTE = 60

        # bases: {suffix => base URL}, as in RFC 9224; timeout in seconds, for the whole of a
        # question and its answer; now: answers the time, by which pauses that a server asked for
        # are kept, whoever asks; told: called with a host and whether it answered a question as a
        # public record does, and what it said instead.
        def initialize(bases:, timeout: 10, now: -> { Time.now }, told: ->(_, _, _) {})
          @bases = bases
          @timeout = timeout
          @idle = Hash.new { |h, k| h[k] = Queue.new }
          @now = now
          @told = told
          @pauses = {}
          @lock = Mutex.new
        end

        # name: Core::Names::DomainName. Returns a Domain; raises NotFound, Unreachable, Malformed
        # or Refused, and Busy where the server asks for a pause, or asked for one that is not over:
        # then it is not asked at all.
        def domain(name)
          url = url_for(name)
          heard(url.host) { parse(fetch(url), url) }
        end

        # Hosts of all services that are known.
        def hosts = @hosts ||= @bases.values.uniq.filter_map { |base| URI(base).host }.uniq

        # The text at an address, with the same limits as any answer. Raises as `domain`.
        def text(url)
          at = URI(url)
          raise Refused.new(0, "“#{url}” is no http address") unless at.is_a?(URI::HTTP) && at.host

          fetch(at)
        rescue URI::Error
          raise Refused.new(0, "“#{url}” is no address")
        end

        # Is a public record service known for the name's suffix?
        def serves?(name) = !base_for(name).nil?

        private

        # It was not asked at all.
        class LeftAlone < Busy
        end

        # It answers, but has no time for anybody.
        class Overloaded < Busy
        end
        private_constant :LeftAlone, :Overloaded

        # A name that it does not hold, and a wish for fewer questions, are answers.
        def heard(host)
          found = yield
          @told.call(host, true, nil)
          found
        rescue LeftAlone
          raise
        rescue Error => e
          fine = e.is_a?(NotFound) || (e.is_a?(Busy) && !e.is_a?(Overloaded))
          @told.call(host, fine, fine ? nil : e.message)
          raise
        end

        def base_for(name)
          labels = name.suffix.split(".")
          labels.each_index.lazy.filter_map { |i| @bases[labels.drop(i).join(".")] }.first
        end

        def url_for(name)
          base = base_for(name) or
            raise Refused.new(404, "no public record service is known for “.#{name.suffix}”")
          URI.join(base.end_with?("/") ? base : "#{base}/", "domain/#{name.ascii}")
        end

        # Follows where it is sent, not to less secure places and not for ever (RFC 7480 §5.2).
        def fetch(url)
          MOST_STEPS.times do
            keep_pause(url)
            answer = answer(url)
            return body_of(answer, url) unless REDIRECTS.include?(answer.code.to_i)

            url = elsewhere(url, answer)
          end
          raise Refused.new(
                  302,
                  "the public record at #{url.host} sends on and on, more than #{MOST_STEPS} times"
                )
        rescue Net::OpenTimeout, Net::ReadTimeout, Deadline::Passed
          raise Unreachable, "the public record at #{url.host} did not answer within #{@timeout} s"
        rescue SystemCallError,
               IOError,
               SocketError,
               OpenSSL::SSL::SSLError,
               Net::HTTPBadResponse => e
          raise Unreachable,
                "the public record at #{url.host} can't be reached (#{e.message[/\A[^(]+/].strip})"
        end

        # Over https alone, or, where it was asked without, at the same host.
        def elsewhere(url, answer)
          target = URI.join(url, answer["location"].to_s)
          kept =
            target.scheme == "https" ||
              ([target, url].map(&:scheme) == %w[http http] && target.host == url.host)
          return target if kept && target.host && target.userinfo.nil?

          raise Refused.new(
                  answer.code.to_i,
                  "the public record at #{url.host} points elsewhere (#{answer.code}), " \
                    "to #{target.to_s[0, 80]}; that is not followed"
                )
        rescue URI::Error
          raise Malformed, "the public record at #{url.host} points elsewhere without saying where"
        end

        # A connection that failed, or whose answer dripped until the deadline, is not used again.
        def answer(url)
          http = nil
          answer =
            Deadline
              .new(@timeout)
              .hold do
                http = connection(url)
                http.request(question(url)) { |a| read_bounded(a, url) }
              end
          @idle[url.authority] << http if http.started?
          http = nil
          answer
        ensure
          hang_up(http) if http
        end

        # Uncompressed, so that what is read is what there is (RFC 9110 §12.5.3).
        def question(url)
          Net::HTTP::Get.new(
            url,
            "Accept" => "application/rdap+json",
            "Accept-Encoding" => "identity"
          )
        end

        # Stops reading at the limit; the rest of the answer is never taken.
        def read_bounded(answer, url)
          body = +""
          answer.read_body do |piece|
            body << piece
            if body.bytesize > MOST
              raise Malformed,
                    "the public record's answer at #{url.host} is larger than #{MOST} octets"
            end
          end
          answer.body = body
        end

        def hang_up(http)
          http.finish if http.started?
        rescue IOError
          nil
        end

        # A connection that is open still, or a new one; whoever uses it has it alone.
        def connection(url)
          @idle[url.authority].pop(true)
        rescue ThreadError
          http = Net::HTTP.new(url.host, url.port)
          http.use_ssl = url.scheme == "https"
          http.open_timeout = http.read_timeout = @timeout
          http.max_retries = 1
          http.keep_alive_timeout = 20
          http.start
        end

        def body_of(answer, url)
          case answer.code.to_i
          when 200
            answer.body
          when 404
            raise NotFound.new(404, "the public record does not hold this name (404)")
          else
            refused(answer, url)
          end
        end

        def refused(answer, url)
          whose = "the public record at #{url.host}"
          code = answer.code.to_i
          case code
          when 429
            begin_pause(url, pause(answer) || MINUTE)
            raise Busy.new("#{whose} asks for fewer questions (429)", retry_after: pause(answer))
          when 503
            begin_pause(url, pause(answer))
            raise Overloaded.new("#{whose} has no time now (503)", retry_after: pause(answer))
          when 500..599
            raise Unreachable, "#{whose} has trouble of its own (#{code})"
          else
            raise Refused.new(code, "#{whose} answered #{code}")
          end
        end

        def begin_pause(url, seconds)
          @lock.synchronize { @pauses[url.authority] = @now.call + seconds } if seconds
        end

        # Raises Busy while a pause that this server asked for is not over (RFC 6585 §4). Where the
        # clock was set back, one that lies further off than any may be is over.
        def keep_pause(url)
          left = @lock.synchronize { @pauses[url.authority] }&.-(@now.call)
          return unless left&.between?(0.001, DAY)

          raise LeftAlone.new(
                  "the public record at #{url.host} asked for fewer questions, and is left alone " \
                    "for #{left.ceil} s more",
                  retry_after: left.ceil
                )
        end

        # Retry-After in seconds (RFC 9110 §10.2.3), at most a day; a date is not read.
        def pause(answer) = Integer(answer["retry-after"].to_s, exception: false)&.clamp(1, DAY)

        def parse(body, url)
          Document.domain(JSON.parse(body, max_nesting: 40), url: url.to_s)
        rescue JSON::ParserError
          raise Malformed, "the public record's answer is not JSON"
        rescue Malformed => e
          raise Malformed, "the public record's answer is not as it should be (#{e.message})"
        end
      end
    end
  end
end
