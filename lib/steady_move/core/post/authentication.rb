# frozen_string_literal: true

require "strscan"

module SteadyMove
  module Core
    module Post
      # What a mailbox's own server found out about a sender: Authentication-Results (RFC 8601),
      # measured against the domain of the From field as RFC 7489 §3.1 does.
      module Authentication
        # One method's result. of: dkim, spf, dmarc, …; result: pass, fail, …; domain: the one that
        # it speaks of, or nil; field: number of the field that it stands in, from the top.
        Result = Struct.new(:of, :result, :domain, :field, keyword_init: true)
        # Where a method names the domain that it checked (RFC 8601 §2.7).
        PROPERTIES = {
          "dkim" => %w[header.d header.i],
          "spf" => %w[smtp.mailfrom smtp.from],
          "dmarc" => %w[header.from]
        }.freeze
        # A server says each of these once; two answers contradict each other.
        SINGLE = %w[spf dmarc].freeze
        AGAINST = %w[fail softfail].freeze
        # “by HOST” of a Received field (RFC 5321 §4.4).
        BY = /\bby\s+\[?([^\s;\]()]+)/i
        ATOM = /[^\s;="()\\]+/
        QUOTED = /"(?:[^"\\]|\\.)*"/

        # A field that does not follow its grammar: nobody can tell where its parts end.
        class Unclear < StandardError
        end

        module_function

        # fields: bodies of Authentication-Results fields, topmost first; ids: identifiers of the
        # mailbox's own server ([] where none is known); from: domain of the From field (A-label);
        # spf: bodies of Received-SPF fields (RFC 7208 §9.1).
        # Returns [:pass, :against or :nothing, Phrases].
        #   Post::Authentication.judge(["mx; dkim=pass header.d=r.t"], ids: ["mx"], from: "r.t")[0]
        #     # => :pass
        #   Post::Authentication.judge(["mx; dkim=pass header.d=r.t"], ids: [], from: "r.t")[0]
        #     # => :nothing
        def judge(fields, ids:, from:, spf: [])
          read = fields.each_with_index.filter_map { |body, i| parsed(body, i) }
          return against_unasked(read) if ids.empty?

          own = read.select { |id, _| ids.any? { |known| known.casecmp?(id) } }
          results = own.flat_map(&:last)
          return :against, [phrase(:contradicts)] if contradictory?(own, results, from)
          return :against, [phrase(:failed, methods: ["spf"])] if failed_spf?(spf)
          return :nothing, [phrase(:nothing_said)] if results.empty?

          weigh(results, from)
        end

        # What of a message's trace the mailbox's own server can have written: what stands above the
        # topmost Received field of that server. Below it, the sender may have written anything.
        # trace: [[name, body]] in their order. Returns {fields:, spf:}.
        def above(trace, ids)
          list = trace.first(boundary(trace, ids))
          { fields: bodies(list, "authentication-results"), spf: bodies(list, "received-spf") }
        end

        # The identifiers that the fields bear, topmost first; what a person may confirm as the
        # mailbox's own.
        def identifiers(fields)
          fields.filter_map { |f| parsed(f, 0)&.first }.reject(&:empty?).uniq
        end

        def bodies(list, name) = list.select { |n, _| n == name }.map(&:last)

        # Fields above the own server's topmost Received count; a hop within its own house may stand
        # above that.
        def boundary(trace, ids)
          hops = trace.each_index.select { |i| trace[i].first == "received" }
          own = hops.find { |i| ids.any? { |id| id.casecmp?(by(trace[i])) } }
          return hops.first || trace.size unless own

          within = hops.take_while { |i| i < own }.all? { |i| own_house?(by(trace[i]), ids) }
          within ? own : hops.first
        end

        def own_house?(host, ids) = ids.any? { |id| Hosts.aligned?(host, id) }

        def by(field) = field.last[BY, 1].to_s.downcase.delete_suffix(".")

        def parsed(body, number)
          parse(body, number)
        rescue Unclear
          nil
        end

        # One field's body. Returns [authserv-id, [Result]]; comments and quoted reasons say
        # nothing. Raises Unclear.
        def parse(body, number)
          parts = tokens(bare(body)).slice_when { |a, _| a == ";" }.map { |list| list - [";"] }
          [
            unquoted(parts.shift.to_a.first.to_s).downcase,
            parts.filter_map { |tokens| result(tokens, number) }
          ]
        end

        # Without comments, which may lie within one another (RFC 5322 §3.2.2).
        def bare(body)
          depth = 0
          kept =
            body
              .gsub(/\s+/, " ")
              .scan(/"(?:[^"\\]|\\.)*"|\\.|./)
              .filter_map do |sign|
                depth += 1 if sign == "("
                kept = sign if depth.zero?
                depth -= 1 if sign == ")" && depth.positive?
                kept
              end
          raise Unclear if depth.positive? || kept.include?('"')

          kept.join
        end

        # Words, “;” and “=”; what adjoins without a blank is one word, quoted or not (RFC 8601
        # §2.2: a local part may be quoted).
        def tokens(text)
          scanner = StringScanner.new(text)
          out = []
          until scanner.eos?
            next if scanner.skip(/\s+/)

            word = scanner.scan(/[;=]/) || scanner.scan(/(?:#{QUOTED}|#{ATOM})+/o)
            out << (word || scanner.getch)
          end
          out
        end

        def result(tokens, number)
          pairs = pairs(tokens)
          method, found = pairs.shift
          return if method.nil? || found.nil?

          method = method.downcase.sub(%r{/.*}, "")
          said = pairs.to_h { |key, value| [key.downcase, value] }
          place = PROPERTIES.fetch(method, []).filter_map { |key| said[key] }.first
          Result.new(
            of: method,
            result: found.downcase,
            field: number,
            domain: place && Core::Names::HostName.ascii(domain(place))
          )
        end

        # [[key, value]] of the words around each “=”.
        def pairs(tokens)
          tokens
            .each_index
            .select { |i| tokens[i] == "=" && i.positive? }
            .map { |i| [tokens[i - 1], tokens[i + 1].to_s] }
        end

        # What follows the last “@” that is not quoted.
        #   Post::Authentication.domain('"a@known.example"@evil.test') # => "evil.test"
        def domain(address)
          parts = address.gsub(QUOTED) { |quoted| quoted.tr("@", "\u0000") }
          unquoted(parts.rpartition("@").last)
        end

        def unquoted(text) = text.start_with?('"') ? text[1..-2].gsub(/\\(.)/, '\1') : text

        # Nobody said whose fields count: a pass proves nothing then, a failure is heard all the
        # same.
        def against_unasked(read)
          failed = read.flat_map(&:last).select { |r| failed?(r) }
          return :nothing, [phrase(:no_identifier)] if failed.empty?

          against(failed)
        end

        # A signature that fails is as none (RFC 6376 §6.1).
        def failed?(result)
          %w[spf dmarc].include?(result.of) && AGAINST.include?(result.result)
        end

        def failed_spf?(bodies) = bodies.any? { |b| AGAINST.include?(b[/\A\w+/].to_s.downcase) }

        # The same server says one thing in one field and another in the next.
        def contradictory?(own, results, from)
          twice = SINGLE.any? { |method| several?(results.select { |r| r.of == method }) }
          return true if twice || (own.size > 1 && own.any? { |_, list| list.empty? })

          verdicts = own.filter_map { |_, list| verdict(list, from) }
          verdicts.include?(:pass) && verdicts.uniq.size > 1
        end

        def several?(results) = results.map { |r| [r.result, r.domain] }.uniq.size > 1

        # Of one field: does it speak for the From field's domain, or not? nil where it speaks of
        # other things.
        def verdict(results, from)
          named = results.select { |r| PROPERTIES.key?(r.of) }
          return if named.empty?

          named.any? { |r| pass?(r, from) } ? :pass : :other
        end

        def weigh(results, from)
          named = results.select { |r| PROPERTIES.key?(r.of) }
          failed = named.select { |r| failed?(r) }
          own, others = named.select { |r| r.result == "pass" }.partition { |r| pass?(r, from) }
          dmarc = failed.select { |r| r.of == "dmarc" } + others.select { |r| r.of == "dmarc" }
          return against(dmarc) if dmarc.any?
          return :pass, [phrase(:passed, methods: methods(own), domain: from)] if own.any?
          return against(failed) if failed.any?

          elsewhere = others.filter_map(&:domain)
          return :nothing, [phrase(:nothing_said)] if elsewhere.empty?

          [:against, [phrase(:passed_for_another, domain: elsewhere.first)]]
        end

        def against(results) = [:against, [phrase(:failed, methods: methods(results))]]
        def methods(results) = results.map(&:of).uniq

        # A pass that speaks of the From field's domain (relaxed alignment, RFC 7489 §3.1).
        def pass?(result, from)
          return false unless result.result == "pass"
          return result.domain.nil? || result.domain == from if result.of == "dmarc"

          !result.domain.nil? && Hosts.aligned?(result.domain, from)
        end

        def phrase(key, **values) = Phrase.of("post.sender.#{key}", **values)
        private_class_method :bodies,
                             :boundary,
                             :own_house?,
                             :by,
                             :parsed,
                             :parse,
                             :bare,
                             :tokens,
                             :result,
                             :pairs,
                             :unquoted,
                             :against_unasked,
                             :failed?,
                             :failed_spf?,
                             :contradictory?,
                             :several?,
                             :verdict,
                             :weigh,
                             :against,
                             :methods,
                             :pass?,
                             :phrase
      end
    end
  end
end
