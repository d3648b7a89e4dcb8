# frozen_string_literal: true

require "time"

module SteadyMove
  module Wire
    module Epp
      # A server's reply. data: DomainInfo, TransferInfo, {name => available} for check, or nil.
      # reasons: what the server says of a refusal beside its message (RFC 5730 §2.6, extValue).
      Response =
        Struct.new(
          :code,
          :message,
          :reasons,
          :data,
          :queue,
          :client_id,
          :server_id,
          keyword_init: true
        ) do
          # Reads a <response>; raises Malformed.
          def self.parse(text)
            doc = Xml.parse(text)
            response = doc.at_xpath("/e:epp/e:response", Xml::NS) or
              raise Malformed, "the EPP message is not a response"
            result = response.at_xpath("e:result", Xml::NS) or
              raise Malformed, "the EPP response has no result"
            code =
              Integer(result["code"], exception: false) ||
                raise(Malformed, "the EPP result has no code")
            queue = queue(response.at_xpath("e:msgQ", Xml::NS))
            data =
              (
                if code == Response::QUEUED && queue&.id
                  told(response, queue)
                else
                  ResponseData.read(response)
                end
              )
            new(
              code: code,
              message: Xml.text(result, "e:msg").to_s.strip,
              reasons: reasons(response),
              data: data,
              queue: queue,
              client_id: Xml.text(response, "e:trID/e:clTRID"),
              server_id: Xml.text(response, "e:trID/e:svTRID")
            )
          end

          # What can't be read of a message of the queue hinders none behind it: it is told as it
          # is.
          def self.told(response, queue)
            ResponseData.read(response)
          rescue Malformed => e
            queue.unread = e.message
            nil
          end

          # Each reason, with the value that it speaks of where the server names one.
          def self.reasons(response)
            response
              .xpath("e:result/e:extValue", Xml::NS)
              .filter_map do |node|
                reason = Xml.text(node, "e:reason").to_s.strip
                value = node.at_xpath("e:value", Xml::NS)&.text.to_s.strip
                next if reason.empty?

                value.empty? ? reason : "#{reason}: #{value}"
              end
          end

          def self.queue(node)
            return unless node

            queue =
              Queue.new(waiting: node["count"].to_i, id: node["id"], text: Xml.text(node, "e:msg"))
            queue.at = Xml.time(Xml.text(node, "e:qDate"))
            queue
          rescue Malformed => e
            queue.tap { |q| q.unread = e.message }
          end
          private_class_method :queue, :reasons, :told

          # RFC 5730 §3: 1xxx is success.
          def success? = code.between?(1000, 1999)
          def pending? = code == 1001
          # The message with its reasons, as it is told.
          def says = [message, *reasons].join("; ")
        end
      # There is a message in the queue (RFC 5730 §3).
      Response::QUEUED = 1301
    end
  end
end
