# frozen_string_literal: true

module Practice
  module Epp
    # Carries out commands for one signed-in client. `side` is a Registrar (for its customers) or a
    # RegistrySide.
    class Service
      # extensions: what the client signed in with.
      def initialize(world, side, extensions: [])
        @world = world
        @side = side
        @extensions = extensions
      end

      # Returns the reply's XML. Everything asked is kept in the world's log, with its key and
      # result.
      def call(request)
        at = @world.now
        forced =
          @world.fault("answer-#{@side.id}-#{request.verb}") ||
            @world.fault(
              "answer-#{@side.id}-#{request.contact ? "contact" : "domain"}-#{request.verb}"
            )
        raise Refusal, forced.to_i if forced

        code, queue, data, extension = public_send("do_#{request.verb}", request, at)
        reply(request, code, queue: queue, extension: extension, &data)
      rescue Refusal => e
        reply(request, e.code, message: e.message)
      end

      def do_check(request, _at)
        free = @side.check(request.names)
        [1000, nil, ->(x) { Replies.check(x, free) }]
      end

      def do_info(request, _at)
        if request.contact
          contact = @side.contact(request.contact)
          return 1000, nil, ->(x) { Replies.contact(x, contact) }
        end
        row = @side.info(request.name, auth: request.auth)
        [
          1000,
          nil,
          ->(x) { Replies.info(x, row) },
          (Replies.grace(row) if @extensions.include?(X::RGP))
        ]
      end

      def do_update(request, at)
        if request.contact
          return [
            @side.change_contact(request.contact, email: request.email, at: at) ? 1000 : 1001,
            nil,
            nil
          ]
        end

        [
          (
            if @side.update(
                 request.name,
                 add: request.add,
                 rem: request.rem,
                 auth: request.auth,
                 at: at
               )
              1000
            else
              1001
            end
          ),
          nil,
          nil
        ]
      end

      def do_renew(request, at)
        row = @side.renew(request.name, request.expires, years: request.years || 1, at: at)
        [1000, nil, ->(x) { Replies.renewal(x, row) }]
      end

      def do_transfer(request, at)
        row, code =
          case request.op
          when "request"
            [
              @side.request_transfer(request.name, request.auth, years: request.years || 1, at: at),
              1001
            ]
          when "query"
            [@side.query(request.name, auth: request.auth), 1000]
          when "approve", "reject", "cancel"
            [@side.end_transfer(request.name, request.op, at: at), 1000]
          else
            raise Refusal, 2005
          end
        [code, nil, ->(x) { Replies.transfer(x, row) }]
      end

      def do_poll(request, _at)
        queue = @world.registry.queue_for(@side.id)
        if request.op == "ack"
          @world.registry.acknowledge(@side.id, request.message_id.to_i)
          return 1000, head(queue, full: false), nil
        end
        return 1300, nil, nil if queue.empty?

        transfer = @world.registry.newest_transfer(queue.first[:name])
        [1301, head(queue, full: true), transfer && ->(x) { Replies.transfer(x, transfer) }]
      end

      private

      def head(queue, full:)
        row = queue.first or return
        { count: queue.count, id: row[:id], at: Time.at(row[:at]), text: row[:text], full: full }
      end

      def reply(request, code, message: nil, queue: nil, extension: nil, &data)
        number = @world.log(@side.id, request, code)
        Replies.response(
          code,
          key: request.key,
          server_key: format("PW-%06d", number),
          message: message,
          queue: queue,
          extension: extension,
          &data
        )
      end
    end
  end
end
