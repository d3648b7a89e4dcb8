# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # Reads <resData>.
      module ResponseData
        module_function

        # response: Nokogiri node. Returns the data that its kind of object has, or nil where there is none.
        def read(response)
          data = response.at_xpath("e:resData/*", Xml::NS) or return
          case data.name
          when "infData" then data.namespace.href == Xml::CONTACT ? contact(data) : info(data)
          when "trnData" then transfer(data)
          when "chkData" then data.xpath("d:cd/d:name", Xml::NS).to_h { |n| [n.text, %w[1 true].include?(n["avail"])] }
          end
        end

        # A domain (RFC 5731 §3.1.2).
        def info(data)
          DomainInfo.new(
            name: Xml.text(data, "d:name"), roid: Xml.text(data, "d:roid"),
            statuses: data.xpath("d:status", Xml::NS).map { |s| s["s"] },
            name_servers: Xml.texts(data, "d:ns/d:hostObj | d:ns/d:hostAttr/d:hostName").map(&:downcase),
            sponsor: Xml.text(data, "d:clID"), created_at: Xml.time(Xml.text(data, "d:crDate")),
            updated_at: Xml.time(Xml.text(data, "d:upDate")), expires_at: Xml.time(Xml.text(data, "d:exDate")),
            transferred_at: Xml.time(Xml.text(data, "d:trDate")), auth_info: Xml.text(data, "d:authInfo/d:pw"),
            registrant: Xml.text(data, "d:registrant"), admin: Xml.text(data, "d:contact[@type='admin']")
          )
        end

        # A contact (RFC 5733 §3.1.2).
        def contact(data)
          ContactInfo.new(id: Xml.text(data, "c:id"), name: Xml.text(data, "c:postalInfo/c:name"),
            organization: Xml.text(data, "c:postalInfo/c:org"),
            street: Xml.text(data, "c:postalInfo/c:addr/c:street"), city: Xml.text(data, "c:postalInfo/c:addr/c:city"),
            country: Xml.text(data, "c:postalInfo/c:addr/c:cc"), voice: Xml.text(data, "c:voice"),
            email: Xml.text(data, "c:email"), created_at: Xml.time(Xml.text(data, "c:crDate")),
            changed_at: Xml.time(Xml.text(data, "c:upDate")))
        end

        # A transfer (RFC 5731 §3.1.3).
        def transfer(data)
          TransferInfo.new(
            name: Xml.text(data, "d:name"), status: Xml.text(data, "d:trStatus"),
            requested_by: Xml.text(data, "d:reID"), requested_at: Xml.time(Xml.text(data, "d:reDate")),
            acts: Xml.text(data, "d:acID"), act_at: Xml.time(Xml.text(data, "d:acDate")),
            expires_at: Xml.time(Xml.text(data, "d:exDate"))
          )
        end
      end
    end
  end
end
